import type { Paper, Turn } from '../../formats/sheet/drawing';
import { Select } from '../ui/Select';
import { STUDY } from '../words/views/study';

const PAPERS: { readonly value: Paper; readonly label: string }[] = [
  { value: 'a4', label: 'A4' },
  { value: 'letter', label: STUDY.letter },
];
const TURNS: { readonly value: Turn; readonly label: string }[] = [
  { value: 'portrait', label: STUDY.upright },
  { value: 'landscape', label: STUDY.sideways },
];

interface Props {
  readonly paper: Paper;
  readonly turn: Turn;
  readonly onPaper: (paper: Paper) => void;
  readonly onTurn: (turn: Turn) => void;
}

/** Which paper, and how it is turned: asked alike wherever something is printed. */
export const PaperChoice = ({ paper, turn, onPaper, onTurn }: Props) => (
  <div className="grid grid-cols-2 gap-3">
    <Select label={STUDY.paper} value={paper} options={PAPERS} onChange={onPaper} />
    <Select label={STUDY.turned} value={turn} options={TURNS} onChange={onTurn} />
  </div>
);
