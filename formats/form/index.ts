export { type FormFile, type FormOut, formText } from './form';
export { readChordPro, readFormText, writeChordPro, writeFormText } from './chordpro';
export { readFormMidi, writeFormMidi } from './midi';
export { readFormXml, writeFormXml } from './musicxml';
export { FORM_FORMATS, readFormFile } from './files';
