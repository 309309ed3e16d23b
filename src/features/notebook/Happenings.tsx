import { correctDate, type DatedThing } from '../../records/commands/change.ts';
import { useState } from 'react';
import { z } from 'zod';
import { useGarden } from '../../ring/garden.tsx';
import { type Happening, happenings } from '../../ring/journal.ts';
import { removeLook, removeNote, saveNote } from '../../records/verbs/verbs.ts';
import { DateInput } from '../../ui/DateInput.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { Field } from '../../ui/parts.tsx';
import { Carried } from './Carried.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { someWords } from '../../ring/typedFigures.ts';

/** Everything that happened, bed by bed; dates and words can be put right, and undo takes any of it back. */
export function Happenings() {
  const ring = useGarden();
  const { beds, garden, hands, run } = ring;
  const [bedId, setBedId] = useState('');
  const all = happenings(ring);
  const shown = bedId ? all.filter((h) => h.bedId === bedId) : all;
  const bedName = (id: string) => beds.find((b) => b.id === id)?.name ?? '?';

  const move = (h: Happening, on: string) => run(correctDate(hands, garden.id, datedThing(h), on));

  return (
    <>
      <p className="text-bark mb-3">
        Latest first. Change a date here and the forecast follows; Undo above takes any change back.
      </p>
      <div className="grid max-w-3xl gap-4 sm:grid-cols-[10rem_1fr]">
        <WhichBed label="Bed" value={bedId} choose={setBedId} all="all beds" />
        {beds.length > 0 && <NewNote bedId={bedId} />}
      </div>
      <Carried />
      {shown.length === 0 && (
        <p className="mt-4">Nothing yet. Sowings, looks, endings and plantings write themselves here.</p>
      )}
      <ol className="mt-4">
        {shown.map((h) => (
          <li key={h.key} className="border-linen flex flex-wrap items-baseline gap-x-4 border-t py-1.5">
            <DateInput
              label={`Date of: ${h.what}, bed ${bedName(h.bedId)}`}
              className="input input-xs w-28!"
              value={h.on}
              onChange={(iso) => void move(h, iso)}
            />
            <b className="w-20">Bed {bedName(h.bedId)}</b>
            <span className="font-semibold">{h.what}</span>
            <span>{h.detail}</span>
            {(h.kind === 'look' || h.kind === 'note') && (
              <button
                type="button"
                className="btn btn-ghost btn-xs ml-auto"
                aria-label={`Take away: ${h.what} of ${showIsoYear(h.on)}`}
                onClick={() =>
                  void run(
                    h.kind === 'look'
                      ? removeLook(
                          hands,
                          ring.looks.find((l) => l.id === h.refId)!,
                        )
                      : removeNote(
                          hands,
                          ring.notes.find((n) => n.id === h.refId)!,
                        ),
                  )
                }
              >
                Take away
              </button>
            )}
          </li>
        ))}
      </ol>
    </>
  );
}

/** @param all what none of them is called, where that may be chosen */
function WhichBed({
  label,
  value,
  choose,
  all,
  disabled = false,
}: {
  label: string;
  value: string;
  choose(bedId: string): void;
  all?: string;
  disabled?: boolean;
}) {
  const { beds } = useGarden();
  return (
    <Field label={label}>
      {(id) => (
        <select
          id={id}
          className="select select-sm"
          value={value}
          disabled={disabled}
          onChange={(e) => choose(e.target.value)}
        >
          {all && <option value="">{all}</option>}
          {beds.map((b) => (
            <option key={b.id} value={b.id}>
              {b.name}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

const noteForm = z.object({ bed: z.string(), text: someWords('Write what there is to note.') });

/** A note of today. @param bedId the bed that is looked at, empty for all */
function NewNote({ bedId }: { bedId: string }) {
  const { beds, garden, today, hands, run } = useGarden();
  const bedOf = (id: string) => bedId || (beds.some((b) => b.id === id) ? id : beds[0]!.id);
  const form = useKeptForm(`note ${garden.id}`, noteForm, { bed: '', text: '' }, ({ bed, text }) =>
    run(saveNote(hands, { id: hands.newId(), gardenId: garden.id, bedId: bedOf(bed), on: today, text })),
  );
  if (!form) return null;
  return (
    <form className="grid gap-2 sm:grid-cols-[6rem_1fr_auto] sm:items-end" onSubmit={form.onSubmit}>
      <WhichBed
        label="For bed"
        value={bedOf(form.typed.bed)}
        choose={form.field('bed').onChange}
        disabled={bedId !== ''}
      />
      <Field label="A note for today" error={form.field('text').error}>
        {(id) => (
          <input
            id={id}
            className="input input-sm"
            value={form.typed.text}
            onChange={(e) => form.field('text').onChange(e.target.value)}
          />
        )}
      </Field>
      <button type="submit" className="btn btn-sm">
        Write it down
      </button>
    </form>
  );
}

/** Which date of which record an entry of the notebook tells. */
function datedThing(h: Happening): DatedThing {
  const id = h.refId;
  if (h.kind === 'look' || h.kind === 'note') return { kind: h.kind, id };
  if (h.kind === 'planting') return { kind: h.key.endsWith('p') ? 'planted' : 'cleared', id };
  if (h.kind === 'watering') return { kind: 'watering', id, index: h.index! };
  if (h.key.endsWith('s')) return { kind: 'sown', id };
  if (h.key.endsWith('e')) return { kind: 'ended', id };
  return { kind: 'pass', id, index: Number(h.key.slice(id.length)) };
}
