/** The version of Crow Ladder, as `package.json` has it: shown in the application, said at the start and written into bundles. */
export const VERSION = '0.2.0';
