import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { store } from '../store';
import { viewPath } from '../store/paths';
import { type StudyView } from '../words/view-text';

/** Goes to another view of what is open. */
export function useGo(): (view: StudyView) => void {
  const navigate = useNavigate();
  return useCallback((view) => void navigate(viewPath(store.getState().editor.id, view)), [navigate]);
}
