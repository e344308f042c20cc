import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { openStudy } from '../store/open';
import { viewPath } from '../store/paths';
import { OPENING_WORDS } from '../words/open-text';

/** Opens a study and goes to its Map, or says why not. */
export function useOpenAndGo(onProblem: (message: string) => void): (id: string) => Promise<void> {
  const navigate = useNavigate();
  return useCallback(
    async (id: string) => {
      const result = await openStudy(id);
      if (result === 'open') await navigate(viewPath(id, 'map'));
      else onProblem(OPENING_WORDS[result]);
    },
    [navigate, onProblem],
  );
}
