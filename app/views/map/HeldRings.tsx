import { useMemo } from 'react';
import type { Instrument, Place, ScaleRef } from '../../../core';
import type { NeckGeometry } from '../../neck/geometry';
import { GripRings } from '../../neck/GripRings';
import type { NeckMark } from '../../neck/marks';
import { degreesOfGrip } from '../../words/grip-text';

interface Props {
  readonly g: NeckGeometry;
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly grip: readonly Place[];
  readonly marks: readonly NeckMark[];
}

/** The places pressed on the Map's neck, each with what it is in the chord that they sound. */
export function HeldRings({ g, instrument, scale, grip, marks }: Props) {
  const degrees = useMemo(() => degreesOfGrip(instrument, grip, scale), [instrument, grip, scale]);
  return <GripRings g={g} grip={grip} degrees={degrees} marks={marks} />;
}
