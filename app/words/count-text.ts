/** "1 note", "3 notes", "no notes"; another plural where it is not an s more. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n === 0 ? 'no' : n} ${n === 1 ? one : many}`;
