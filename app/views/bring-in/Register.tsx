import { pitchName } from '../../../core';
import { Select } from '../../ui/Select';
import { STUDY } from '../../words/views/study';

/** Thickest strings from that of a long bass to that of a small lute, MIDI numbers. */
const [LOWEST, HIGHEST] = [16, 67];
const NOTES = Array.from({ length: HIGHEST - LOWEST + 1 }, (_, k) => LOWEST + k);

/** How high a tuning sounds, where its file does not tell: the note of its thickest string. */
export function Register({ value, onChange }: { readonly value: number | null; readonly onChange: (midi: number) => void }) {
  const none = { value: '', label: STUDY.chooseANote };
  return (
    <div className="max-w-72">
      <Select<string>
        label={STUDY.thickestStringSounds}
        value={value === null ? '' : String(value)}
        options={[...(value === null ? [none] : []), ...NOTES.map((m) => ({ value: String(m), label: pitchName(m) }))]}
        onChange={(note) => note !== '' && onChange(Number(note))}
      />
    </div>
  );
}
