/** The note that a MIDI message begins, or null: note on (0x9n) with a velocity above 0 (MIDI 1.0 Detailed Specification, channel voice messages). */
export function noteBegun(bytes: ArrayLike<number>): number | null {
  return bytes.length >= 3 && (bytes[0]! & 0xf0) === 0x90 && bytes[2]! > 0 && bytes[1]! < 128 ? bytes[1]! : null;
}
