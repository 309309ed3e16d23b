import { useState } from 'react';
import { Link } from 'react-router';
import { cropOf, speciesOf } from '../../catalogue/catalogue.ts';
import { G_PER_OZ } from '../../core/units/show.ts';
import { logSowing } from '../../records/verbs/seed.ts';
import type { Bed, Cover, Planting } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { showIso } from '../../ui/dates.ts';
import { DateField, TextField } from '../../ui/fields.tsx';
import { walkOf } from './walk.ts';

/** What was asked before a sowing is logged, and answered. */
interface Answered {
  cleared?: Planting;
  under?: boolean;
  late?: boolean;
}

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
  const { garden, plantings, today, hands, run } = useGarden();
  const [asked, setAsked] = useState<{ what: 'crop' | 'late'; so: Answered } | null>(null);
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
    (weights.find((w) => w.speciesId === speciesId)?.weigh_g ?? 0) * (1 - left / Math.max(left, total, 1));
  const text = (s: Cover['seed'][number]) => draft.used[s.speciesId] ?? shown(s.used_g ?? meant(s.speciesId));

  const inTheWay = (on: string) =>
    plantings.find(
      (p) => p.bedId === bed.id && p.plantedOn !== null && p.plantedOn <= on && !p.clearedOn && !cover.sownOn,
    );
  const tooLate = (on: string) => !cover.sownOn && cover.plantBackOn !== null && on >= cover.plantBackOn;

  async function log(answered: Answered = {}) {
    const { on } = draft!;
    const standing = inTheWay(on);
    if (standing && !answered.cleared && !answered.under) return setAsked({ what: 'crop', so: answered });
    if (tooLate(on) && !answered.late) return setAsked({ what: 'late', so: answered });
    setAsked(null);
    const seed = cover.seed.map((s) => ({
      ...s,
      used_g: Number(text(s).replace(',', '.')) * (imperial ? G_PER_OZ : 1),
    }));
    if (seed.some((s) => !(s.used_g > 0) || s.used_g > 500_000))
      return setProblem('Enter the weight really used for each kind, more than nothing.');
    setProblem('');
    // A later start moves the ending with it only where the ending would otherwise come before the sowing.
    if (await run(logSowing(hands, cover, { on, seed }, bed.name, answered.cleared))) clear();
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
          label={`${speciesOf(s.speciesId).name} really used, ${imperial ? 'ounces' : 'grams'}`}
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
      {asked?.what === 'crop' && (
        <CropStands
          crop={inTheWay(draft.on)!}
          on={draft.on}
          bedName={bed.name}
          cleared={(p) => void log({ ...asked.so, cleared: p })}
          under={() => void log({ ...asked.so, under: true })}
        />
      )}
      {asked?.what === 'late' && (
        <div role="alert" className="border-madder border-l-4 pl-4">
          <p>
            The crop after it was meant to go in on {showIso(cover.plantBackOn!)}, before this sowing. Move
            its planting first, or choose another cover for the time there is.
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Link className="btn btn-primary" to={`/bed/${bed.id}/choose?from=${draft.on}`}>
              What fits from {showIso(draft.on)}
            </Link>
            <button type="button" className="btn" onClick={() => void log({ ...asked.so, late: true })}>
              Sown all the same
            </button>
          </div>
        </div>
      )}
      <button type="submit" className="btn btn-primary justify-self-start">
        {cover.sownOn ? 'Save the correction' : `Log sowing of bed ${bed.name}`}
      </button>
    </form>
  );
}

/** A crop stands on the bed by the record: it went out, or the cover goes under it. */
function CropStands({
  crop,
  on,
  bedName,
  cleared,
  under,
}: {
  crop: Planting;
  on: string;
  bedName: string;
  cleared(p: Planting): void;
  under(): void;
}) {
  const name = cropOf(crop.cropId).name;
  return (
    <div role="alert" className="border-madder border-l-4 pl-4">
      <p>
        By the record {name.toLowerCase()} still stands on bed {bedName}. Is it out?
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary" onClick={() => cleared(crop)}>
          Yes, cleared {showIso(on)}: log both
        </button>
        <button type="button" className="btn" onClick={under}>
          No, it is sown under the {name.toLowerCase()}
        </button>
      </div>
    </div>
  );
}
