import { useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import { cropOf, speciesOf } from '../../catalogue/catalogue.ts';
import { parseNumber } from '../../core/units/number.ts';
import { G_PER_OZ } from '../../core/units/show.ts';
import { logSowing } from '../../records/verbs/seed.ts';
import type { Bed, Cover, Planting } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { showIso } from '../../ui/dates.ts';
import { DateField, TextField } from '../../ui/fields.tsx';
import { walkOf } from './walk.ts';

/** What was asked before a sowing is logged, and answered. */
interface Answered {
  cleared?: Planting;
  under?: boolean;
  late?: boolean;
}

interface Typed {
  on: string;
  /** By kind; what was not touched stands as it was meant. */
  used: Record<string, string>;
}
interface Sown {
  on: string;
  seed: Cover['seed'];
}

const MOST_G = 500_000;

/** What is typed, read as a sowing: a weight for every kind. @param textOf what stands in the field of a kind */
const sowingOf = (
  seed: Cover['seed'],
  textOf: (s: Cover['seed'][number], used: Typed['used']) => string,
  g_per_unit: number,
) =>
  z
    .object({ on: z.string(), used: z.record(z.string(), z.string()) })
    .transform(({ on, used }, ctx): Sown => {
      const sown = seed.map((s) => {
        const read = parseNumber(textOf(s, used), 0, MOST_G / g_per_unit);
        return { ...s, used_g: read.ok ? read.value * g_per_unit : 0 };
      });
      if (sown.every((s) => s.used_g > 0)) return { on, seed: sown };
      ctx.addIssue({
        code: 'custom',
        path: ['used'],
        message: 'Enter the weight really used for each kind, more than nothing.',
      });
      return z.NEVER;
    });

interface Props {
  cover: Cover;
  bed: Bed;
  weights: { speciesId: string; weigh_g: number }[];
}

/** What was really thrown, and when. It goes into the record, and off the shelf. */
export function WriteDown({ cover, bed, weights }: Props) {
  const { form, imperial, textOf, asked, log, crop } = useWriteDown({ cover, bed, weights });
  if (!form) return null;
  const { typed, set } = form;
  const problem = form.field('used').error;
  return (
    <form className="grid max-w-2xl gap-4" onSubmit={form.onSubmit}>
      <DateField label="Sown on" {...form.field('on')} />
      {cover.seed.map((s) => (
        <TextField
          key={s.speciesId}
          label={`${speciesOf(s.speciesId).name} really used, ${imperial ? 'ounces' : 'grams'}`}
          value={textOf(s, typed.used)}
          onChange={(t) => set({ used: { ...typed.used, [s.speciesId]: t } })}
          decimal
        />
      ))}
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
      {asked?.what === 'crop' && crop && (
        <CropStands
          crop={crop}
          on={asked.sown.on}
          bedName={bed.name}
          cleared={(p) => void log(asked.sown, { ...asked.so, cleared: p })}
          under={() => void log(asked.sown, { ...asked.so, under: true })}
        />
      )}
      {asked?.what === 'late' && (
        <Late
          planted={cover.plantBackOn!}
          on={asked.sown.on}
          bedId={bed.id}
          same={() => void log(asked.sown, { ...asked.so, late: true })}
        />
      )}
      <button type="submit" className="btn btn-primary justify-self-start">
        {cover.sownOn ? 'Save the correction' : `Log sowing of bed ${bed.name}`}
      </button>
    </form>
  );
}

/** The sowing as it is typed; it is logged once what the record holds against it was asked and answered. */
function useWriteDown({ cover, bed, weights }: Props) {
  const { garden, plantings, today, hands, run } = useGarden();
  const [asked, setAsked] = useState<{ what: 'crop' | 'late'; sown: Sown; so: Answered } | null>(null);
  const imperial = garden.units.mass === 'imperial';
  const shown = (g: number) => (imperial ? (g / G_PER_OZ).toFixed(2) : g.toFixed(g < 20 ? 1 : 0));
  const total = weights.reduce((s, w) => s + w.weigh_g, 0);
  const left = walkOf(cover).stopped?.left_g ?? 0;
  const meant = (speciesId: string) =>
    (weights.find((w) => w.speciesId === speciesId)?.weigh_g ?? 0) * (1 - left / Math.max(left, total, 1));
  const textOf = (s: Cover['seed'][number], used: Typed['used']) =>
    used[s.speciesId] ?? shown(s.used_g ?? meant(s.speciesId));
  const inTheWay = (on: string) =>
    plantings.find(
      (p) => p.bedId === bed.id && p.plantedOn !== null && p.plantedOn <= on && !p.clearedOn && !cover.sownOn,
    );
  const tooLate = (on: string) => !cover.sownOn && cover.plantBackOn !== null && on >= cover.plantBackOn;
  const form = useKeptForm(
    `sown ${cover.id}`,
    sowingOf(cover.seed, textOf, imperial ? G_PER_OZ : 1),
    { on: cover.sownOn ?? today, used: {} } as Typed,
    (sown) => log(sown, {}),
  );
  async function log(sown: Sown, so: Answered): Promise<boolean> {
    const ask = (what: 'crop' | 'late') => {
      setAsked({ what, sown, so });
      return false;
    };
    if (inTheWay(sown.on) && !so.cleared && !so.under) return ask('crop');
    if (tooLate(sown.on) && !so.late) return ask('late');
    setAsked(null);
    // A later start moves the ending with it only where the ending would otherwise come before the sowing.
    const kept = await run(logSowing(hands, cover, sown, bed.name, so.cleared));
    if (kept) form?.clear();
    return kept;
  }
  return { form, imperial, textOf, asked, log, crop: asked && inTheWay(asked.sown.on) };
}

/** The planting day of what follows lies before this sowing: another cover, or all the same. */
function Late({ planted, on, bedId, same }: { planted: string; on: string; bedId: string; same(): void }) {
  return (
    <div role="alert" className="border-madder border-l-4 pl-4">
      <p>
        The crop after it was meant to go in on {showIso(planted)}, before this sowing. Move its planting
        first, or choose another cover for the time there is.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Link className="btn btn-primary" to={`/bed/${bedId}/choose?from=${on}`}>
          What fits from {showIso(on)}
        </Link>
        <button type="button" className="btn" onClick={same}>
          Sown all the same
        </button>
      </div>
    </div>
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
