export * from './pitch';
export * from './glyphs';
export * from './languages';
