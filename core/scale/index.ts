export { DEGREE_SEMITONES, stepLetters } from './catalogue';
export { checkDegree, degreeOfNote, letterOf, mod12, noteOnDegree, plainDegree, semitonesOf } from './degrees';
export * from './scale';
export * from './relations';
export * from './spell';
