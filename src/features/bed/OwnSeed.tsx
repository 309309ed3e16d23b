import { useMemo } from 'react';
import { findSpecies, speciesOf } from '../../catalogue/catalogue.ts';
import { seedGivingOf } from '../../catalogue/ownSeed.ts';
import { endingPasses } from '../../core/bed/timeline.ts';
import { asOn } from '../../core/bed/pieces.ts';
import { type Day, dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Expected, ownSeedOf, selfSown, type Shed } from '../../core/seed/ownSeed.ts';
import { parseMass_g } from '../../core/units/mass.ts';
import { showArea, showSeed, showTemperature } from '../../core/units/show.ts';
import { changeCover } from '../../records/commands/change.ts';
import { shelveOwnSeed } from '../../records/commands/seed.ts';
import { saveNote } from '../../records/verbs/verbs.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useForecast } from '../../ring/useForecast.ts';
import { showDay } from '../../ui/dates.ts';
import { TextField } from '../../ui/fields.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { readBy } from '../../ring/typedFigures.ts';
import { z } from 'zod';

/** From sowing to seed no cover takes longer, days. */
const RIPENS_WITHIN_D = 400;

/** What a strip that is left to ripen will give, when to cut it, and the seed that was won. */
export function OwnSeed({ bed, cover }: { bed: Bed; cover: Cover }) {
  const { garden } = useGarden();
  // It stands until it is ripe, whatever was to follow.
  const ripening = useMemo(
    () => ({ ...cover, plantBackOn: isoOf(dayOf(cover.sownOn ?? cover.sowOn) + RIPENS_WITHIN_D) }),
    [cover],
  );
  const { forecast } = useForecast(ripening);
  return (
    <section className="border-leaf mt-6 border-l-4 pl-4" aria-label="Own seed">
      <h2 className="font-display text-xl font-bold">Own seed</h2>
      {!forecast && <p className="text-bark">Working out when it ripens…</p>}
      <ul>
        {cover.parts.map(({ speciesId, share }) => {
          const kind = seedGivingOf(speciesId);
          const species = findSpecies(speciesId);
          const ripe = forecast?.stand.stages.find((s) => s.speciesId === speciesId)?.seed;
          if (!kind || !species || !forecast || !ripe) return null;
          const own = ownSeedOf(kind, species.seed, ripe, forecast.growth, share, bed.area_m2);
          const rate = (species.seed.rateBroadcastLow_g_m2 + species.seed.rateBroadcastHigh_g_m2) / 2;
          return (
            <li key={speciesId} className="border-linen mt-2 border-t pt-2">
              <b className="font-display text-lg">{species.name}</b>
              {own.cut ? (
                <>
                  <p className="font-semibold">
                    Cut it between {showDay(own.cut[0])} and {showDay(own.cut[1])}, on a dry morning
                    {kind.shatters && ', when the lowest pods are brown: it drops what is ripe'}.
                  </p>
                  <p>
                    About {showSeed(own.grams.mid, garden.units)} of clean seed (
                    {showSeed(own.grams.low, garden.units)} to {showSeed(own.grams.high, garden.units)}),
                    enough for {showArea(own.grams.mid / rate, garden.units)}. Ripe by {showDay(own.ripe.low)}{' '}
                    in early years
                    {Number.isFinite(own.ripe.high)
                      ? `, ${showDay(own.ripe.high)} in late ones`
                      : '; in one year of ten or more it does not ripen'}
                    . Dry it {own.dry_d} days under a roof, in the shade and thin, then thresh and winnow.
                  </p>
                </>
              ) : (
                <p className="text-madder font-semibold">In most years it does not ripen here in time.</p>
              )}
              <p className="text-bark">
                {crossWords(kind)} Pull weeds and strangers out of the strip before it is cut: what ripens
                with it is sown with it.
              </p>
              {own.cut && <PlanCut cover={cover} day={own.cut[0]} />}
              <Won bed={bed} speciesId={speciesId} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function crossWords(kind: NonNullable<ReturnType<typeof seedGivingOf>>): string {
  const apart =
    kind.crosses === 'seldom'
      ? 'It seldom crosses; a few steps from others of its kind are enough.'
      : `It crosses ${kind.crosses === 'freely' ? 'freely' : 'now and then'} with others of its kind within ${kind.apart_m} m or so.`;
  const kin = kind.kin ? ` It also crosses with ${kind.kin}: let only one of the two flower.` : '';
  const untrue = kind.untrue ? ' If the bag said hybrid, its seed does not come true.' : '';
  return apart + kin + untrue;
}

/** Puts the day on which a kind is cut into the plan, where another stands in it. */
function PlanCut({ cover, day }: { cover: Cover; day: Day }) {
  const { hands, run } = useGarden();
  const on = isoOf(day);
  const cut = cover.passes.find((p) => p.kind === 'check-seed' && !p.doneOn);
  if (!cut || cut.due === on) return null;
  return (
    <button
      type="button"
      className="btn btn-sm mt-2"
      onClick={() =>
        void run(
          changeCover(hands, cover, 'plan-seed', 'the day on which seed is cut', (c) => ({
            passes: c.passes.map((p) => (p.kind === 'check-seed' && !p.doneOn ? { ...p, due: on } : p)),
          })),
        )
      }
    >
      Plan the cut for {showDay(day)}
    </button>
  );
}

const wonForm = (unit: 'g' | 'oz') => z.object({ won: readBy((text) => parseMass_g(text, unit)) });

function Won({ bed, speciesId }: { bed: Bed; speciesId: string }) {
  const { garden, today, hands, run } = useGarden();
  const name = speciesOf(speciesId).name;
  const unit = garden.units.mass === 'metric' ? 'g' : 'oz';
  const form = useKeptForm(`won ${bed.id} ${speciesId}`, wonForm(unit), { won: '' }, ({ won: grams }) =>
    run(shelveOwnSeed(hands, bed, { speciesId, name, grams, on: today })),
  );
  if (!form) return null;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={form.onSubmit}>
      <TextField
        label={`Clean seed of ${name.toLowerCase()} won`}
        hint="Weighed dry and clean."
        {...form.field('won')}
      />
      <button type="submit" className="btn" disabled={form.typed.won.trim() === ''}>
        Onto the shelf
      </button>
    </form>
  );
}

const COMES: Record<Expected['comes'], string> = {
  stand: 'readily, often a stand of its own',
  patches: 'in patches',
  few: 'as single plants',
};

/** A cover that ripened here lets its seed fall: the day on which it was over, where a look saw seed on it or it was left to ripen. */
function shedOf(cover: Cover, seen: ReadonlySet<string>): Shed[] {
  if (!cover.sownOn || !cover.endedOn) return [];
  const ripened = seen.has(cover.id) || endingPasses(cover).some((p) => p.kind === 'check-seed');
  return ripened ? cover.parts.map((p) => ({ speciesId: p.speciesId, on: dayOf(cover.endedOn!) })) : [];
}

/** Kinds that may come by themselves on this ground, and what became of them. */
export function SelfSown({ bed }: { bed: Bed }) {
  const { garden, beds, covers, looks, today, hands, run } = useGarden();
  const expected = useMemo(() => {
    const seen = new Set(
      looks
        .filter(
          (l) => l.stage === 'seed' || l.members.some((m) => m.stage === 'seed' || m.squeeze === 'hard'),
        )
        .map((l) => l.coverId),
    );
    return selfSown(
      asOn(bed.id, beds, covers).flatMap((c) => shedOf(c, seen)),
      findSpecies,
      dayOf(today),
    );
  }, [bed.id, beds, covers, looks, today]);
  if (expected.length === 0) return null;
  const wrote = (name: string, what: string) =>
    void run(
      saveNote(hands, {
        id: hands.newId(),
        gardenId: garden.id,
        bedId: bed.id,
        on: today,
        text: `Self-sown ${name.toLowerCase()}: ${what}.`,
      }),
    );
  return (
    <section className="mt-6" aria-label="What may come by itself">
      <h2 className="font-display text-xl font-bold">What may come by itself</h2>
      <ul>
        {expected.map((e) => {
          const { name, thermal } = speciesOf(e.speciesId);
          return (
            <li
              key={e.speciesId}
              className="border-linen flex flex-wrap items-baseline gap-x-4 border-t py-2"
            >
              <span className="min-w-0 flex-1 basis-80">
                <b>{name}</b> {COMES[e.comes]}: seed lay here from {showDay(e.on)}. It comes with rain once
                the ground has {showTemperature(thermal.germMin_c, garden.units)} or more
                {e.sleeps && '; part of it sleeps and comes in later years'}. Hoe it while it is small, or
                keep it as a cover.
              </span>
              <button type="button" className="btn btn-xs" onClick={() => wrote(name, 'hoed off')}>
                Hoed off
              </button>
              <button type="button" className="btn btn-xs" onClick={() => wrote(name, 'kept')}>
                Kept
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
