import { membersOf, species, speciesOf, usualWay } from '../../catalogue/catalogue.ts';
import { pageOf } from '../../catalogue/pages.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type StandAnswer } from '../../core/plan/answers.ts';
import { temperatureShare } from '../../core/stand/emergence.ts';
import { liveShare, USUAL_SEED } from '../../core/seed/weight.ts';
import { viableRate_g_m2 } from '../../core/seed/rate.ts';
import { M2_PER_FT2, showArea, showMass } from '../../core/units/show.ts';
import { type SowToday } from '../../core/sowing/today.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { SeedlingDrawing } from '../../ui/drawings/Seedling.tsx';
import { showDay, showIso, showSpan } from '../../ui/dates.ts';
import { TextField } from '../../ui/fields.tsx';

/** Nothing is called a failure until this long after the last likely day. */
const PATIENCE_D = 5;
const QUICK = ['buckwheat', 'white-mustard', 'phacelia', 'spring-oats', 'annual-ryegrass'];

/** When each kind should be up, what it looks like, and only then whether it has failed. */
export function EmergenceClock({
  stages,
  today,
  seenUp,
}: {
  stages: StandAnswer['stages'];
  today: string;
  /** Day on which a look said that it is up. */
  seenUp: string | undefined;
}) {
  const now = dayOf(today);
  return (
    <section aria-label="Emergence clock" className="mt-4 max-w-2xl">
      <h2 className="font-display text-xl font-bold">Coming up</h2>
      <ul>
        {stages.map((s) => {
          const page = pageOf(s.speciesId);
          const late = !seenUp && Number.isFinite(s.up.high) && now > s.up.high + PATIENCE_D;
          const words = seenUp
            ? `Up, seen ${showIso(seenUp)}.`
            : now < s.up.low
              ? `Nothing to see before ${showDay(s.up.low)}.`
              : now <= s.up.high + PATIENCE_D || !Number.isFinite(s.up.high)
                ? 'Look for it now. Kinds come at different times: this is no failure yet.'
                : 'It should be up. If it is not, log a look, then patch.';
          return (
            <li key={s.speciesId} className="border-linen flex items-center gap-4 border-t py-2">
              <span className="block w-28 shrink-0">
                <SeedlingDrawing look={page.seedling} name={speciesOf(s.speciesId).name} small />
              </span>
              <span>
                <b className="text-lg">{speciesOf(s.speciesId).name}</b>: {showSpan(s.up.low, s.up.high)}
                <span className="text-bark block text-sm">{page.seedling.text}</span>
                <span className={`block ${late ? 'text-madder font-bold' : ''}`}>{words}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Thin patches: grams for the bare ground, something quick instead, and the last day that it is worth it. */
export function Patch({ cover, bed, answer }: { cover: Cover; bed: Bed; answer: SowToday | undefined }) {
  const { garden } = useGarden();
  const [bare, setBare] = useDraft(`patch ${cover.id}`, '');
  const imperial = garden.units.length === 'imperial';
  const area = Number((bare ?? '').replace(',', '.')) * (imperial ? M2_PER_FT2 : 1);
  const members = membersOf(cover.parts);
  const rates = viableRate_g_m2(members, usualWay.rateFactor);
  const tooMuch = area > bed.area_m2;
  const quick = answer
    ? species
        .filter(
          (s) =>
            QUICK.includes(s.id) &&
            temperatureShare(s, answer.soil_c) > 0.8 &&
            (answer.frostOdds < 0.5 || s.cold.tender_c < -5),
        )
        .sort(
          (a, b) =>
            a.thermal.emergence_cd / (answer.soil_c - a.thermal.base_c) -
            b.thermal.emergence_cd / (answer.soil_c - b.thermal.base_c),
        )[0]
    : undefined;
  return (
    <section aria-label="Thin patches" className="border-linen mt-3 max-w-2xl border-t pt-2">
      <h2 className="font-display text-xl font-bold">Thin patches</h2>
      <div className="max-w-xs">
        <TextField
          label={`Bare ground, square ${imperial ? 'feet' : 'metres'}`}
          value={bare ?? ''}
          onChange={setBare}
          decimal
          hint={`a pace by a pace is about ${imperial ? 'six' : 'half'}`}
        />
      </div>
      {tooMuch && (
        <p className="text-madder font-semibold">The bed has {showArea(bed.area_m2, garden.units)}.</p>
      )}
      {area > 0 && !tooMuch && (
        <>
          <p>
            Scratch in{' '}
            <b>
              {members
                .map(
                  (m, i) =>
                    `${showMass((rates[i]! * area) / liveShare(USUAL_SEED), garden.units)} ${m.species.name.toLowerCase()}`,
                )
                .join(' + ')}
            </b>
            {answer?.worksUntil
              ? `; worth it until ${showDay(answer.worksUntil)}.`
              : '; it is past the day that this pays.'}
          </p>
          {quick && (
            <p>
              Quicker here now: {quick.name.toLowerCase()},{' '}
              {showMass(
                (((quick.seed.rateBroadcastLow_g_m2 + quick.seed.rateBroadcastHigh_g_m2) / 2) * area) /
                  liveShare(USUAL_SEED),
                garden.units,
              )}
              , up in about{' '}
              {Math.round(quick.thermal.emergence_cd / Math.max(1, answer!.soil_c - quick.thermal.base_c))}{' '}
              days.
            </p>
          )}
        </>
      )}
    </section>
  );
}
