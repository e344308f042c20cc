import { useState, type FormEvent, type ReactNode } from 'react';
import { degreesOf, type ScaleRef } from '../../../core';
import { useCreateScaleMutation, useDeleteScaleMutation, useRestoreScaleMutation, useSaveScaleMutation } from '../../store/api';
import { useOwnScale, type KeptScale } from '../../store/own-scales';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { isolated } from '../../words/name-text';
import { refusalWords } from '../../words/save-text';
import { MAP } from '../../words/views/map';

/** A scale that has no usual name: kept in the notebook under one of the player's, found in every study by it. */
export function OwnScalePart({ scale }: { readonly scale: ScaleRef }) {
  const mine = useOwnScale(scale.scale);
  if (mine) return <Kept key={`${mine.id}/${mine.revision}`} mine={mine} />;
  return Array.isArray(scale.scale) ? <Fresh scale={scale} /> : null;
}

function Fresh({ scale }: { readonly scale: ScaleRef }) {
  const [create, { error }] = useCreateScaleMutation();
  const [restore, undo] = useRestoreScaleMutation();
  const keep = (name: string): void => void create({ name, degrees: degreesOf(scale.scale) });
  const gone = deletedLast?.degrees === degreesOf(scale.scale).join() ? deletedLast : null;
  return (
    <>
      <Named label={MAP.nameOfYourScale} usual="" press="Keep it in the notebook" onName={keep}>
        {gone && (
          <Button look="quiet" onClick={() => void restore(gone.id)}>
            {MAP.bringBack} <Signs>{`“${isolated(gone.name)}”`}</Signs>
          </Button>
        )}
      </Named>
      <Refused what="It was not kept" error={error ?? undo.error} />
    </>
  );
}

/** What was deleted last in this window, to be brought back. */
let deletedLast: { readonly id: string; readonly name: string; readonly degrees: string } | null = null;

function Kept({ mine: { id, revision, body } }: { readonly mine: KeptScale }) {
  const [save, saved] = useSaveScaleMutation();
  const [remove, removed] = useDeleteScaleMutation();
  const onDelete = (): void => {
    deletedLast = { id, name: body.name, degrees: body.degrees.join() };
    void remove(id);
  };
  return (
    <>
      <Named
        label={MAP.nameOfYourScale}
        usual={body.name}
        press="Rename"
        onName={(name) => void save({ id, revision, body: { ...body, name } })}
      >
        <Button look="quiet" onClick={onDelete}>
          {MAP.deleteFromTheNotebook}
        </Button>
      </Named>
      <Refused what="It was not changed" error={saved.error ?? removed.error} />
    </>
  );
}

const Refused = ({ what, error }: { readonly what: string; readonly error: unknown }) =>
  error ? (
    <p role="alert" className="mt-1 text-clay">
      <Signs>{`${what}: ${refusalWords(error)}`}</Signs>
    </p>
  ) : null;

interface NamedProps {
  readonly label: string;
  readonly usual: string;
  readonly press: string;
  readonly onName: (name: string) => void;
  readonly children?: ReactNode;
}

function Named({ label, usual, press, onName, children }: NamedProps) {
  const [name, setName] = useState(usual);
  const typed = name.trim();
  const onSubmit = (e: FormEvent): void => {
    e.preventDefault();
    if (typed && typed !== usual) onName(typed);
  };
  return (
    <form className="mt-2 flex flex-wrap gap-2" onSubmit={onSubmit}>
      <input
        aria-label={label}
        value={name}
        maxLength={60}
        onChange={(e) => setName(e.target.value)}
        placeholder={MAP.aNameForIt}
        className="min-w-0 grow rounded-md border border-line bg-paper px-2 py-1"
      />
      <Button type="submit" look="link" disabled={!typed || typed === usual}>
        {press}
      </Button>
      {children}
    </form>
  );
}
