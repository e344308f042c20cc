import { memo } from 'react';
import { SvgSigns } from '../ui/Signs';
import type { MarkLook } from './marks';

interface Props {
  x: number;
  y: number;
  look: MarkLook;
  text: string;
  /** A neck drawn from right to left turns the beak too. */
  mirrored: boolean;
}

const INK: Partial<Record<MarkLook, string>> = {
  root: '#1b1406',
  'twin-root': '#16181d',
  solid: '#16181d',
  outlined: '#d3ecee',
  dashed: '#efe3c4',
  gone: '#c9c1ae',
  new: '#0e3339',
};
/** The beak takes room on one side. */
const beaked = (look: MarkLook): boolean => look === 'root' || look === 'twin-root';

function Plate({ look }: { look: MarkLook }) {
  switch (look) {
    case 'root':
      return <path d="M-17 0L-8 -12H15a2 2 0 0 1 2 2V10a2 2 0 0 1-2 2H-8Z" fill="#d39a35" stroke="#f3d798" />;
    case 'solid':
      return <rect x={-14} y={-12} width={28} height={24} rx={3.5} fill="#ece4d1" />;
    case 'outlined':
      return <rect x={-13} y={-11} width={26} height={22} rx={3.5} fill="#23242a" stroke="#8fc0c4" strokeWidth={1.8} />;
    case 'dashed':
      return (
        <rect x={-13} y={-11} width={26} height={22} rx={11} fill="#23242a" stroke="#e0cf9f" strokeWidth={1.8} strokeDasharray="3.5 3" />
      );
    case 'twin-root':
      return <path d="M-17 0L-8 -12H15a2 2 0 0 1 2 2V10a2 2 0 0 1-2 2H-8Z" fill="#ece4d1" stroke="#d39a35" strokeWidth={2} />;
    case 'gone':
      return (
        <g>
          <rect x={-13} y={-11} width={26} height={22} rx={3.5} fill="#23242a" stroke="#a8a294" strokeWidth={1.4} />
          <path d="M-13 11L13 -11" stroke="#e58f78" strokeWidth={2} />
        </g>
      );
    case 'new':
      return <path d="M0 -17L17 0L0 17L-17 0Z" fill="#dff0ef" stroke="#1f5a63" strokeWidth={1.6} />;
    case 'faint':
      return <rect x={-7} y={-6} width={14} height={12} rx={2.5} fill="#8f897b" opacity={0.55} />;
    case 'root-stud':
      return <path d="M-6 0l4 -5h8v10h-8z" fill="#d39a35" opacity={0.7} />;
    case 'stud':
      return <rect x={-3.5} y={-3.5} width={7} height={7} rx={1.5} fill="#c9c1ae" opacity={0.5} />;
  }
}

/** One note on the neck. The beak of a root points to the nut. */
export const Mark = memo(function Mark({ x, y, look, text, mirrored }: Props) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <g transform={mirrored ? 'scale(-1 1)' : undefined}>
        <Plate look={look} />
      </g>
      {text && (
        // A transform, not x and y: Chromium lays the whole page out when it reads a text's y.
        <text
          transform={`translate(${beaked(look) ? (mirrored ? -2 : 2) : 0} 4.9)`}
          textAnchor="middle"
          fontSize={text.length > 2 ? 12 : 14}
          fontWeight={look === 'root' ? 700 : 600}
          fill={INK[look]}
        >
          <SvgSigns>{text}</SvgSigns>
        </text>
      )}
    </g>
  );
});
