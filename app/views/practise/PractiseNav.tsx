import { useNavigate } from 'react-router';
import { store } from '../../store';
import { viewPath } from '../../store/paths';
import { Segmented } from '../../ui/Segmented';
import { LISTEN } from '../../words/views/listen';
import { QUIZ } from '../../words/views/quiz';
import { PRACTISE } from '../../words/views/practise';

type Page = 'drill' | 'quiz' | 'listen' | 'plan' | 'log';
const PAGES: { readonly value: Page; readonly label: string }[] = [
  { value: 'drill', label: PRACTISE.drill },
  { value: 'quiz', label: QUIZ.page },
  { value: 'listen', label: LISTEN.page },
  { value: 'plan', label: PRACTISE.plan },
  { value: 'log', label: PRACTISE.log },
];

/** The pages of Practise, each with an address of its own. */
export function PractiseNav({ page }: { readonly page: Page }) {
  const navigate = useNavigate();
  const go = (to: Page): void => {
    const { id } = store.getState().editor;
    void navigate(to === 'log' ? '/log' : viewPath(id, to === 'drill' ? 'practise' : to));
  };
  return <Segmented label={PRACTISE.pages} value={page} options={PAGES} onChange={go} />;
}
