import { useCallback } from 'react';
import { isScale, soundsSame } from '../../core';
import { useAppDispatch } from '../store';
import { change } from '../store/change';
import { withLayout, withScale } from '../store/moves';
import type { Under } from '../words/grip-text';

/** Puts a shape that lies under a grip on the neck, with its scale where that is another one. */
export function useUnder(): (under: Under) => void {
  const dispatch = useAppDispatch();
  return useCallback(
    ({ scale, layout, rung }: Under) =>
      void dispatch(
        change(({ body }) => {
          const scaled = isScale(body.scale.scale) && soundsSame(scale, body.scale) ? {} : withScale(body, scale);
          return { ...scaled, ...withLayout({ ...body, ...scaled }, layout, null), rung };
        }),
      ),
    [dispatch],
  );
}
