import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { CoreError, defaultSchool, guideLine, type FingeredStep } from '../../../core';
import { useAppSelector } from '../../store';
import type { Guide } from '../../store/over';
import type { Ways } from './useWays';

export const DEGREES: Readonly<Record<Guide, ('3' | '7')[]>> = { none: [], '3': ['3'], '7': ['7'], both: ['3', '7'] };

/** The guide line through the whole form, a note a chord; empty where none is wanted or none lies here. */
export function useGuide(body: StudyBody, { form, near }: Ways): readonly FingeredStep[] {
  const guide = useAppSelector((s) => s.over.guide);
  const { instrument, layout, school } = body;
  return useMemo(() => {
    if (guide === 'none' || !form.chords.length) return [];
    try {
      return guideLine(instrument, form.bars, { degrees: DEGREES[guide], near, school: school ?? defaultSchool(layout) }).steps;
    } catch (e) {
      if (e instanceof CoreError) return [];
      throw e;
    }
  }, [guide, form, instrument, near, school, layout]);
}
