import { useState } from 'react';
import { findSpecies } from '../../catalogue/catalogue.ts';
import { G_PER_OZ } from '../../core/units/show.ts';
import { logSowing } from '../../records/verbs/seed.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { DateField, TextField } from '../../ui/fields.tsx';
import { walkOf } from './walk.ts';

/** What was really thrown, and when. It goes into the record, and off the shelf. */
export function WriteDown({
  cover,
  bed,
  weights,
}: {
  cover: Cover;
  bed: Bed;
  weights: { speciesId: string; weigh_g: number }[];
}) {
  const { garden, today, hands, run } = useGarden();
  const imperial = garden.units.mass === 'imperial';
  const [draft, setDraft, clear] = useDraft<{ on: string; used: Record<string, string> }>(
    `sown ${cover.id}`,
    {
      on: cover.sownOn ?? today,
      used: {},
    },
  );
  const [problem, setProblem] = useState('');
  if (!draft) return null;
  const shown = (g: number) => (imperial ? (g / G_PER_OZ).toFixed(2) : g.toFixed(g < 20 ? 1 : 0));
  const total = weights.reduce((s, w) => s + w.weigh_g, 0);
  const left = walkOf(cover).stopped?.left_g ?? 0;
  const meant = (speciesId: string) =>
    weights.find((w) => w.speciesId === speciesId)!.weigh_g * (1 - left / Math.max(left, total));
  const text = (s: Cover['seed'][number]) => draft.used[s.speciesId] ?? shown(s.used_g ?? meant(s.speciesId));

  async function log() {
    const seed = cover.seed.map((s) => ({
      ...s,
      used_g: Number(text(s).replace(',', '.')) * (imperial ? G_PER_OZ : 1),
    }));
    if (seed.some((s) => !(s.used_g > 0) || s.used_g > 500_000))
      return setProblem('Enter the weight really used for each kind, more than nothing.');
    setProblem('');
    // A later start moves the ending with it only where the ending would otherwise come before the sowing.
    if (await run(logSowing(hands, { ...cover, seed, sownOn: draft!.on }, bed.name))) clear();
  }

  return (
    <form
      className="grid max-w-2xl gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void log();
      }}
    >
      <DateField label="Sown on" value={draft.on} onChange={(on) => setDraft({ ...draft, on })} />
      {cover.seed.map((s) => (
        <TextField
          key={s.speciesId}
          label={`${findSpecies(s.speciesId)!.name} really used, ${imperial ? 'ounces' : 'grams'}`}
          value={text(s)}
          onChange={(t) => setDraft({ ...draft, used: { ...draft.used, [s.speciesId]: t } })}
          decimal
        />
      ))}
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
      <button type="submit" className="btn btn-primary justify-self-start">
        {cover.sownOn ? 'Save the correction' : `Log sowing of bed ${bed.name}`}
      </button>
    </form>
  );
}
