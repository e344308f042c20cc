import { useNewCodeMutation, useShareQuery, useShutOutMutation } from '../store/api';
import { Button } from '../ui/Button';
import { dateWords } from '../words/date-text';
import { refusalWords } from '../words/save-text';
import { FRAME } from '../words/views/shell';
import type { Offer } from '../../contract';

/** Asked for again so often while it is looked at, in ms: devices come and codes run out. */
const LOOK_MS = 3_000;

const isHere = (): boolean => ['127.0.0.1', 'localhost', '[::1]'].includes(location.hostname);

/** Devices of the network: how they come in, which are in, and shutting one out. Only this machine's own pages are told. */
export function Devices() {
  return (
    <div className="grid gap-4">
      {isHere() ? <Offered /> : <p>{FRAME.devicesElsewhere}</p>}
      {!isSecureContext && <p className="text-soft">{FRAME.withCertificate}</p>}
    </div>
  );
}

function Offered() {
  const { data, error } = useShareQuery(undefined, { pollingInterval: LOOK_MS, refetchOnMountOrArgChange: true });
  if (error) return <p className="text-clay">{refusalWords(error)}</p>;
  if (!data) return null;
  return (
    <>
      {data.urls.length ? <WayIn offer={data} /> : <HowToShare />}
      <LetIn devices={data.devices} />
    </>
  );
}

const HowToShare = () => (
  <div className="grid gap-2">
    <p>{FRAME.devicesHow}</p>
    <code className="rounded border border-line bg-paper px-3 py-2">npm start -- --share</code>
  </div>
);

function WayIn({ offer: { urls, code, square, encrypted } }: { readonly offer: Offer }) {
  const [fresh, { error }] = useNewCodeMutation();
  return (
    <div className="grid gap-2">
      <p>
        {FRAME.devicesWhere} <b className="select-all">{urls.join(', ')}</b>
      </p>
      {code ? (
        <>
          <p>
            {FRAME.devicesCode}{' '}
            <b className="text-2xl tracking-widest select-all" data-code>
              {code.text}
            </b>
            , {FRAME.devicesOr}
          </p>
          {square && (
            <img
              src={`data:image/svg+xml,${encodeURIComponent(square)}`}
              alt={FRAME.squareCode(urls[0]!)}
              className="w-52 rounded bg-white"
            />
          )}
          <p className="text-soft">
            {FRAME.codeUntil(new Date(code.until).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' }))}
          </p>
        </>
      ) : (
        <p>{FRAME.noCode}</p>
      )}
      <div>
        <Button onClick={() => void fresh()}>{FRAME.newCode}</Button>
      </div>
      {error && <p className="text-clay">{refusalWords(error)}</p>}
      <p className="text-soft">{encrypted ? FRAME.encrypted : FRAME.notEncrypted}</p>
    </div>
  );
}

function LetIn({ devices }: Pick<Offer, 'devices'>) {
  const [shutOut, { error }] = useShutOutMutation();
  return (
    <section className="grid gap-2">
      <h3 className="font-semibold">{FRAME.letIn}</h3>
      {!devices.length && <p className="text-soft">{FRAME.noDevices}</p>}
      <ul className="grid gap-2">
        {devices.map(({ id, name, usedAt }) => (
          <li key={id} className="flex items-center gap-3">
            <span className="min-w-0 grow break-words">
              <bdi>{name}</bdi>, <span className="text-soft">{FRAME.lastUsed(dateWords(usedAt))}</span>
            </span>
            <Button aria-label={FRAME.shutOutOf(name)} onClick={() => void shutOut(id)}>
              {FRAME.shutOut}
            </Button>
          </li>
        ))}
      </ul>
      {error && <p className="text-clay">{refusalWords(error)}</p>}
    </section>
  );
}
