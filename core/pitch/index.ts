export * from './pitch';
export * from './glyphs';
