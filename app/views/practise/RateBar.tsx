import { Button } from '../../ui/Button';
import { PRACTISE } from '../../words/views/practise';
import type { Running } from './useRun';

/** On a phone, while a drill runs: clean, missed and stop under the thumb, wherever the page is scrolled to. */
export function RateBar({ run, dry }: { readonly run: Running; readonly dry: boolean }) {
  if (!run.on) return null;
  return (
    <div className="no-print fixed inset-x-0 bottom-[3.9rem] z-10 flex gap-2 border-t border-line bg-paper p-2 sm:hidden" data-rate-bar>
      {!dry && (
        <>
          <Button
            look="link"
            className="min-h-12 grow justify-center bg-sheet text-[1.0625rem] font-semibold"
            onClick={() => run.rate('clean')}
          >
            {PRACTISE.clean}
          </Button>
          <Button
            className="min-h-12 grow justify-center border-clay! text-[1.0625rem] font-semibold text-clay!"
            onClick={() => run.rate('miss')}
          >
            {PRACTISE.missed}
          </Button>
        </>
      )}
      <Button look="brass" className="min-h-12 grow justify-center text-[1.0625rem]" onClick={run.stop}>
        {PRACTISE.stop}
      </Button>
    </div>
  );
}
