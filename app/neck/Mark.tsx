import { memo } from 'react';
import { SvgSigns } from '../letters/Signs';
import { MARK_INK, PLATE } from './mark-colours';
import type { MarkLook } from './marks';

interface Props {
  readonly x: number;
  readonly y: number;
  readonly look: MarkLook;
  readonly text: string;
  readonly bar?: boolean;
  readonly aside?: boolean;
  /** 1 is normal. */
  readonly scale: number;
  /** A neck drawn from right to left turns the beak too. */
  readonly mirrored: boolean;
}

/** The beak takes room on one side. */
const beaked = (look: MarkLook): boolean => look === 'root' || look === 'twin-root';
const BEAK = 'M-17.5 0L-8 -13H15a2 2 0 0 1 2 2V11a2 2 0 0 1-2 2H-8Z';

function Plate({ look }: { readonly look: MarkLook }) {
  const { fill, stroke } = PLATE[look];
  switch (look) {
    case 'root':
      return <path d={BEAK} fill={fill} stroke={stroke} />;
    case 'solid':
      return <rect x={-14.5} y={-13} width={29} height={26} rx={3.5} fill={fill} />;
    case 'outlined':
      return <rect x={-13.5} y={-12} width={27} height={24} rx={3.5} fill={fill} stroke={stroke} strokeWidth={2} />;
    case 'dashed':
      return (
        <rect x={-13.5} y={-12} width={27} height={24} rx={12} fill={fill} stroke={stroke} strokeWidth={1.8} strokeDasharray="3.5 3" />
      );
    case 'off':
      return <path d="M-9 -12H9L14 -6V6L9 12H-9L-14 6V-6Z" fill={fill} stroke={stroke} strokeWidth={2} />;
    case 'twin-root':
      return <path d={BEAK} fill={fill} stroke={stroke} strokeWidth={2} />;
    case 'gone':
      return (
        <g>
          <rect x={-13.5} y={-12} width={27} height={24} rx={3.5} fill={fill} stroke={stroke} strokeWidth={1.4} />
          <path d="M-13.5 12L13.5 -12" stroke="#e58f78" strokeWidth={2} />
        </g>
      );
    case 'new':
      return <path d="M0 -18L18 0L0 18L-18 0Z" fill={fill} stroke={stroke} strokeWidth={1.6} />;
    case 'faint':
      return <rect x={-7} y={-6} width={14} height={12} rx={2.5} fill={fill} opacity={0.55} />;
    case 'root-stud':
      return <path d="M-6 0l4 -5h8v10h-8z" fill={fill} opacity={0.7} />;
    case 'stud':
      return <rect x={-3.5} y={-3.5} width={7} height={7} rx={1.5} fill={fill} opacity={0.5} />;
  }
}

/** A capital is 2.5 mm tall on a 13-inch screen of 1280 pixels at this size. */
const LETTER = 16.5;
const letterSize = (text: string): number => (text.length > 3 ? 10.5 : text.length > 2 ? 13 : LETTER);
/** Marks that are not what was asked for are so much smaller. */
const ASIDE = 0.78;

/** One note on the neck. The beak of a root points to the nut; a bar under the plate is a tone of the chosen chord. */
export const Mark = memo(function Mark({ x, y, look, text, bar, aside, scale, mirrored }: Props) {
  const size = scale * (aside ? ASIDE : 1);
  return (
    <g transform={`translate(${x} ${y})${size === 1 ? '' : ` scale(${size})`}`} data-look={look}>
      <g transform={mirrored ? 'scale(-1 1)' : undefined}>
        <Plate look={look} />
      </g>
      {bar && <path d="M-12 16.5H12" stroke="#f3d798" strokeWidth={3.5} strokeLinecap="round" data-bar />}
      {text && (
        // A transform, not x and y: Chromium lays the whole page out when it reads a text's y.
        <text
          transform={`translate(${beaked(look) ? (mirrored ? -2 : 2) : 0} 5.7)`}
          textAnchor="middle"
          fontSize={letterSize(text)}
          fontWeight={look === 'root' ? 700 : 600}
          fill={MARK_INK[look]}
        >
          <SvgSigns>{text}</SvgSigns>
        </text>
      )}
    </g>
  );
});
