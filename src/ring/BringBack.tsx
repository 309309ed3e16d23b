import { useState } from 'react';
import { coverTitle, cropOf } from '../catalogue/catalogue.ts';
import { type Failure } from '../core/result/result.ts';
import { type Beside, beside, takeIn } from '../records/commands/keep.ts';
import { LARGEST, textOf } from '../records/files/bytes.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { type Kept } from '../records/verbs/verbs.ts';
import { showIsoYear } from '../ui/dates.ts';
import { fieldWords, valueWords } from '../ui/fieldWords.ts';
import { failureWords } from '../ui/failureWords.ts';
import { Field } from '../ui/parts.tsx';
import { hands } from './garden.tsx';

const WORDS: Record<Beside['tables'][number]['table'], string> = {
  beds: 'Beds',
  plantings: 'Crops',
  covers: 'Covers',
  looks: 'Looks',
  notes: 'Notes',
  weather: 'Years of weather',
  lots: 'Seed on the shelf',
  recipes: 'Mixes',
};

type FromFile = Kept & { since?: string };

interface Props {
  /** A garden is in: its id, and what to say of it. */
  done(id: string, said: string): void;
}

/** A garden from a file. What is in it stands beside what is here before anything changes; then it is taken in place of it, or both are made one. */
export function BringBack({ done }: Props) {
  const [found, setFound] = useState<{ file: FromFile; seen: Beside } | null>(null);
  const [problem, setProblem] = useState<Failure | null>(null);
  const [busy, setBusy] = useState(false);

  async function open(file: File | undefined) {
    setFound(null);
    setProblem(null);
    if (!file) return;
    setBusy(true);
    const text = await textOf(file, LARGEST.garden);
    const read = text.ok ? readGardenFile(text.value) : text;
    if (!read.ok) setProblem(read.failure);
    else setFound({ file: read.value, seen: await beside(hands.db, read.value) });
    setBusy(false);
  }
  async function take(how: 'replace' | 'merge') {
    const { file } = found!;
    setBusy(true);
    const r = await takeIn(hands, file, how);
    setBusy(false);
    if (!r.ok) return setProblem(r.failure);
    setFound(null);
    done(
      file.garden.id,
      how === 'merge' ? `${file.garden.name}: both made one.` : `${file.garden.name} is back.`,
    );
  }
  return (
    <div>
      <Field label="A garden file" hint="Nothing changes before you have seen what is in it.">
        {(id) => (
          <input
            id={id}
            type="file"
            accept=".json"
            className="file-input"
            disabled={busy}
            onChange={(e) => void open(e.target.files?.[0])}
          />
        )}
      </Field>
      {busy && <p role="status">Reading…</p>}
      {problem && (
        <p role="alert" className="text-madder mt-2 font-semibold">
          {failureWords(problem)}
        </p>
      )}
      {found && <Held {...found} take={(how) => void take(how)} busy={busy} />}
    </div>
  );
}

interface InFile {
  file: FromFile;
  seen: Beside;
}

/** What is in the file beside what is here, what would clash, and the ways to take it. */
function Held({
  file,
  seen,
  take,
  busy,
}: InFile & {
  take(how: 'replace' | 'merge'): void;
  busy: boolean;
}) {
  return (
    <section aria-label="What is in the file" className="border-linen bg-paper mt-3 border p-4">
      <h3 className="font-display text-lg font-bold">{file.garden.name}</h3>
      <p>{ageWords(seen)}</p>
      <Counts seen={seen} />
      <Clashes file={file} seen={seen} />
      {file.since !== undefined && (
        <p className="mt-2">
          The file holds only what is newer than {showIsoYear(file.since.slice(0, 10))}
          {seen.isNew && ', and the garden it belongs to is not here: bring in the whole garden first'}.
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        {seen.isNew ? (
          <button
            type="button"
            className="btn btn-primary"
            disabled={busy || file.since !== undefined}
            onClick={() => take('replace')}
          >
            Bring it in
          </button>
        ) : (
          <>
            <button type="button" className="btn btn-primary" disabled={busy} onClick={() => take('merge')}>
              Make both one
            </button>
            {file.since === undefined && (
              <button type="button" className="btn" disabled={busy} onClick={() => take('replace')}>
                Put the file in place of what is here
              </button>
            )}
          </>
        )}
      </div>
      <p className="text-bark mt-2 text-sm">Undo takes it back as one.</p>
    </section>
  );
}

/** Which of the two is newer, and whether they are the same. */
function ageWords(seen: Beside): string {
  if (seen.isNew) return 'Not in this browser yet.';
  const newer = newerSide(seen);
  if (newer !== 'same')
    return newer === 'there'
      ? 'The file is newer than what is here.'
      : 'What is here is newer than the file.';
  const differs = seen.gardenDiffers || seen.tables.some((t) => t.differ + t.onlyHere + t.onlyThere > 0);
  return differs ? 'Both were last written on the same day, and they differ.' : 'The same as what is here.';
}

/** How many records of each kind are here and in the file, and the newest of each side. */
function Counts({ seen }: { seen: Beside }) {
  const both = !seen.isNew;
  const day = (iso: string | null | undefined) => (iso ? showIsoYear(iso) : '–');
  return (
    <table className="mt-2 w-full max-w-md text-left tabular-nums">
      <thead>
        <tr className="border-linen border-b">
          <th className="py-1 font-semibold">Holds</th>
          {both && <th className="font-semibold">here</th>}
          <th className="font-semibold">in the file</th>
          {both && <th className="font-semibold">differ</th>}
        </tr>
      </thead>
      <tbody>
        {both && seen.gardenDiffers && (
          <tr>
            <td className="py-0.5" colSpan={3}>
              Tools, rules or prices
            </td>
            <td>yes</td>
          </tr>
        )}
        {seen.tables
          .filter((t) => t.here > 0 || t.there > 0)
          .map((t) => (
            <tr key={t.table}>
              <td className="py-0.5">{WORDS[t.table]}</td>
              {both && <td>{t.here}</td>}
              <td>{t.there}</td>
              {both && <td>{t.differ + t.onlyHere + t.onlyThere || '–'}</td>}
            </tr>
          ))}
        <tr className="border-linen border-t">
          <td className="py-0.5">Newest entry</td>
          {both && <td>{day(seen.newest.here)}</td>}
          <td>{day(seen.newest.there)}</td>
          {both && <td />}
        </tr>
      </tbody>
    </table>
  );
}

/** Fields that both sides wrote, with the word that counts; and what would stand on one bed at once. */
function Clashes({ file, seen: { clashes, overlaps } }: InFile) {
  return (
    <>
      {clashes.length > 0 && (
        <details className="mt-2">
          <summary>
            {clashes.length} {clashes.length === 1 ? 'place was' : 'places were'} written on both sides: the
            later word counts when both are made one
          </summary>
          <ul className="mt-1 max-h-48 overflow-auto text-sm" tabIndex={0}>
            {clashes.map((c) => (
              <li key={`${c.table} ${c.id} ${c.field}`}>
                {titleOf(file, c)}, {fieldWords(c.field)}: {valueWords(c.here)} here, {valueWords(c.there)} in
                the file; {c.taken === 'here' ? 'the word here' : 'the file’s word'} counts
              </li>
            ))}
          </ul>
        </details>
      )}
      {overlaps.length > 0 && (
        <div className="mt-2">
          <p className="text-madder font-semibold">
            Made one, {overlaps.length === 1 ? 'two things stand' : 'some things stand'} on one bed at the
            same time. Nothing is lost; one of each pair then wants another date:
          </p>
          <ul className="text-sm">
            {overlaps.map((o) => (
              <li key={o.ids.join(' ')}>
                {o.ids.map((id) => titleOf(file, { table: o.table, id })).join(' and ')}
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}

/** What a record is called where both sides wrote something of it. */
function titleOf(file: Kept, { table, id }: { table: string; id: string }): string {
  if (table === 'gardens') return file.garden.name;
  const bedOf = (bedId: string | undefined) => file.beds.find((b) => b.id === bedId)?.name ?? '';
  if (table === 'beds') return `Bed ${bedOf(id)}`;
  const cover = table === 'covers' && file.covers.find((c) => c.id === id);
  if (cover) return `${coverTitle(cover)}, bed ${bedOf(cover.bedId)}`;
  const planting = table === 'plantings' && file.plantings.find((p) => p.id === id);
  if (planting) return `${cropOf(planting.cropId).name}, bed ${bedOf(planting.bedId)}`;
  return WORDS[table as keyof typeof WORDS];
}

const newerSide = ({ newest }: Beside): 'here' | 'there' | 'same' =>
  newest.here === newest.there ? 'same' : (newest.here ?? '') > (newest.there ?? '') ? 'here' : 'there';
