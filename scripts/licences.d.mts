export function licencesOf(files: readonly string[]): string;
