import { MOST_LICKS, type StudyBody } from '../../contract';
import { defaultSchool } from '../../core';
import type { Destination } from './bring-in';

/** The open study as a place for what files bring. */
export const intoStudy = ({ instrument, tempo, school, layout, hand, licks }: StudyBody): Destination => ({
  instrument,
  tempo,
  school: school ?? defaultSchool(layout),
  hand,
  room: MOST_LICKS - licks.length,
});
