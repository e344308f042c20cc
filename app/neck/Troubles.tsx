import type { Place, WeakSpots } from '../../core';
import { placeIndex } from '../../core';
import { troubleSign, type TroubleSign } from '../words/heard-text';
import { fretX, stringY, type NeckGeometry } from './geometry';

interface Props {
  readonly g: NeckGeometry;
  readonly steps: readonly Place[];
  readonly spots: WeakSpots;
}

const CLAY = '#f0927a';
const NIGHT = '#16181d';

/** Places with the worst of their notes. */
function signs(
  steps: readonly Place[],
  spots: WeakSpots,
): { readonly place: Place; readonly sign: TroubleSign; readonly trouble: number }[] {
  const at = new Map<number, { readonly place: Place; readonly sign: TroubleSign; readonly trouble: number }>();
  steps.forEach((place, k) => {
    const sign = troubleSign(spots.notes[k]!);
    const { trouble } = spots.notes[k]!;
    const known = at.get(placeIndex(place));
    if (sign && (!known || trouble > known.trouble)) at.set(placeIndex(place), { place, sign, trouble });
  });
  return [...at.values()];
}

/** The weakest string dashed, under the marks. */
export function WeakString({ g, spots }: Pick<Props, 'g' | 'spots'>) {
  const weakest = spots.strings.at(0);
  if (!weakest?.trouble) return null;
  const y = stringY(g, weakest.string);
  const [x1, x2] = [Math.min(g.left, g.right), Math.max(g.left, g.right)];
  return <line x1={x1} x2={x2} y1={y} y2={y} stroke={CLAY} strokeWidth={4} strokeDasharray="10 8" data-weak-string={weakest.string} />;
}

/** What was heard, over the marks: a sign at each weak place. */
export function Troubles({ g, steps, spots }: Props) {
  return (
    <g data-troubles>
      {signs(steps, spots).map(({ place, sign, trouble }) => {
        const x = fretX(g, place.fret) + (g.mirrored ? -1 : 1) * 17 * g.scale;
        const py = stringY(g, place.string) - 13 * g.scale;
        return (
          <g
            key={placeIndex(place)}
            transform={`translate(${x} ${py}) scale(${g.scale * (0.9 + 0.35 * trouble)})`}
            data-trouble={`${place.string}/${place.fret} ${sign}`}
          >
            <circle r={9.5} fill={NIGHT} stroke={CLAY} strokeWidth={2} />
            <text textAnchor="middle" transform="translate(0 5)" fontSize={14} fontWeight={700} fill={CLAY}>
              {sign}
            </text>
          </g>
        );
      })}
    </g>
  );
}
