import { Fragment } from 'react';
import { glyphs } from '../../core';

const SIGN = /([♭♯♮𝄪𝄫]+)/u;

const isFlat = (sign: string): boolean => sign.startsWith('♭') || sign.startsWith('𝄫');
/** How far a sign is raised, in its own em: the music font hangs sharps low, flats less so. */
const riseOf = (sign: string): number => (isFlat(sign) ? 0.07 : 0.16);

/** Text whose accidentals are set in the music font at a size and height that read beside letters. */
export function Signs({ children }: { readonly children: string }) {
  const parts = glyphs(children).split(SIGN);
  return (
    <>
      {parts.map((part, k) =>
        k % 2 ? (
          <span key={k} className={isFlat(part) ? 'sign flat' : 'sign'}>
            {part}
          </span>
        ) : (
          <Fragment key={k}>{part}</Fragment>
        ),
      )}
    </>
  );
}

/** The same inside an SVG text element. */
export function SvgSigns({ children }: { readonly children: string }) {
  const parts = glyphs(children).split(SIGN);
  return (
    <>
      {parts.map((part, k) => {
        if (!part) return null;
        if (k % 2)
          return (
            <tspan key={k} fontFamily="Noto Music" fontSize="1.15em" dy={`${-riseOf(part)}em`}>
              {part}
            </tspan>
          );
        return (
          <tspan key={k} dy={k > 0 ? `${riseOf(parts[k - 1]!) * 1.15}em` : undefined}>
            {part}
          </tspan>
        );
      })}
    </>
  );
}
