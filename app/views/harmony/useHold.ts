import { useCallback } from 'react';
import { plainPlace, type Place } from '../../../core';
import { useAppDispatch } from '../../store';
import { harmonySet } from '../../store/harmony';

/** Puts a grip under the hand. */
export function useHold(): (places: readonly Place[]) => void {
  const dispatch = useAppDispatch();
  return useCallback((places) => void dispatch(harmonySet({ grip: places.map(plainPlace) })), [dispatch]);
}
