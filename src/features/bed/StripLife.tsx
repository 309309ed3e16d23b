import { useState } from 'react';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import {
  ageOf,
  endsOn,
  type LastingUse,
  type StripLife as Life,
  stripJobs,
  stripsOf,
} from '../../core/strips/life.ts';
import { type Mowing } from '../../core/strips/mowing.ts';
import { BUILDS_OVER_Y } from '../../core/strips/building.ts';
import { builtUnder } from '../../questions/strips.ts';
import { endStrip } from '../../records/commands/strips.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { mowDays, useMowings } from '../../ring/useMowings.ts';
import { showDay, showIso, showIsoYear } from '../../ui/dates.ts';
import { DateField } from '../../ui/fields.tsx';
import { stripTitle } from '../../ui/stripWords.ts';
import { capital } from '../../ui/text.ts';
import { LogPass, StripPasses } from './StripPasses.tsx';
import { WhatItIs } from './WhatItIs.tsx';

/** A strip that lives for years: what it is, what it wants next, what was done to it, and how it becomes a bed again. */
export function StripLife({ bed, use }: { bed: Bed; use: LastingUse }) {
  return (
    <section className="border-leaf mt-6 border-l-4 pl-4" aria-label="This strip">
      {bed.life && <Next bed={bed} use={use} life={bed.life} />}
      <WhatItIs key={bed.life ? 'known' : 'new'} bed={bed} use={use} />
      {bed.life && <Ends bed={bed} use={use} />}
    </section>
  );
}

function Next({ bed, use, life }: { bed: Bed; use: LastingUse; life: Life }) {
  const { garden, today } = useGarden();
  const mowings = useMowings();
  const mow = mowings.get(bed.id);
  const now = dayOf(today);
  const jobs = stripJobs(stripsOf([bed]), now, garden.site.latitude_deg < 0, mowDays(mowings));
  const over = bed.piece!.until !== null && bed.piece!.until <= today;
  const age = ageOf(life, over ? dayOf(bed.piece!.until!) : now);
  return (
    <>
      <h2 className="font-display text-xl font-bold">{capital(stripTitle(use, life.what))}</h2>
      <p className="text-bark">
        since {showIsoYear(life.since)}
        {age > 0 && `, in its year ${age + 1}`}
        {life.years !== null && ` of ${life.years}`}
        {life.holes && `; holes ${life.holes.across_cm} cm across, every ${life.holes.apart_cm} cm`}
      </p>
      {use === 'path' && !over && <Mow mow={mow} now={now} />}
      {use !== 'path' && !over && <Rested bed={bed} use={use} />}
      <ul className="mt-2">
        {jobs
          .filter((j) => j.kind !== 'mow')
          .map((j) => (
            <li key={j.id} className={j.on < today ? 'text-madder font-semibold' : ''}>
              {stripJobWords(j.kind, use)}{' '}
              {j.on <= today ? `since ${showIsoYear(j.on)}` : `on ${showIsoYear(j.on)}`}
            </li>
          ))}
      </ul>
      {!over && <LogPass bed={bed} use={use} mow={mow} />}
      <StripPasses bed={bed} life={life} mow={mow} />
    </>
  );
}

const MONTH_D = 30.4;

/** Whether the ground was rested before it was taken for years: under film nothing feeds it. */
function Rested({ bed, use }: { bed: Bed; use: 'film' | 'kept' }) {
  const { beds, covers } = useGarden();
  const { covered_d, fed_d, rested } = builtUnder(bed, { beds, covers });
  const months = (d: number) =>
    `${Math.round(d / MONTH_D)} ${Math.round(d / MONTH_D) === 1 ? 'month' : 'months'}`;
  const stood =
    covered_d < MONTH_D
      ? 'no cover stood here'
      : `covers stood here for ${months(covered_d)}, with legumes for ${months(fed_d)}`;
  return (
    <p className="mt-2 max-w-2xl">
      In the {BUILDS_OVER_Y} years before, {stood} by the record.{' '}
      {rested
        ? 'That is rest enough to begin with.'
        : use === 'film'
          ? 'Nothing feeds the ground once film lies: where it can wait, growers rest it under clover for a year or more first, or dig compost in before.'
          : 'A plant that stays lives on what was there before: where it can wait, growers rest the ground under clover for a year or more first, or dig compost in before.'}
    </p>
  );
}

/** What comes every year or at the end, as the card says it. */
function stripJobWords(kind: string, use: LastingUse): string {
  if (kind === 'lift') return 'Lift it before it breaks up:';
  if (kind === 'renew')
    return use === 'path'
      ? 'Sow it anew:'
      : 'Plant it anew, on ground that has not carried its kin for some years:';
  if (kind === 'mend') return 'Look it over for tears:';
  return kind === 'trim' ? 'Trim it:' : 'Straw on:';
}

const SHOWN_CUTS = 3;

/** When the path is mown next, and why then. */
function Mow({ mow, now }: { mow: Mowing | undefined; now: number }) {
  if (!mow) return <p className="text-bark">Working out how it grows…</p>;
  const [next, ...later] = mow.cuts;
  const last = later.at(-1);
  const height = Math.round(mow.height_cm.mid);
  const limit = Math.round(mow.limit_cm);
  return (
    <>
      <p className="font-display mt-2 text-2xl font-bold">
        {!next
          ? 'It needs no mowing in the months ahead.'
          : next.mid <= now
            ? 'Mow it now.'
            : `Mow it about ${showDay(next.mid)}.`}
      </p>
      <p>
        {next &&
          next.high > next.low &&
          `${showDay(next.low)} in early years, ${showDay(next.high)} in late ones. `}
        About {height} cm high today;{' '}
        {mow.under
          ? `it is mown at ${limit} cm then, for ${mow.under} beside it is still low and wants the light.`
          : `it is mown at ${limit} cm, so that you walk on it and do not wade through it.`}
      </p>
      {later.length > 0 && (
        <p className="text-bark">
          Then about{' '}
          {later
            .slice(0, SHOWN_CUTS)
            .map((c) => showDay(c.mid))
            .join(', ')}
          {last && later.length > SHOWN_CUTS && `, and so on until ${showDay(last.mid)}`}.
        </p>
      )}
    </>
  );
}

const END_WORDS: Record<LastingUse, { title: string; button: string }> = {
  path: { title: 'Turn it into a bed', button: 'It is a bed from then on' },
  film: { title: 'Lift it', button: 'Lifted: a bed from then on' },
  kept: { title: 'Take the plant out', button: 'Taken out: a bed from then on' },
};

function Ends({ bed, use }: { bed: Bed; use: LastingUse }) {
  const { today, hands, run } = useGarden();
  const ends = endsOn(bed.life!);
  const [noDay, setNoDay] = useState(false);
  const [on, setOn] = useState(ends === undefined || isoOf(ends) < today ? today : isoOf(ends));
  return bed.piece!.until === null ? (
    <details className="mt-2">
      <summary className="cursor-pointer underline">{END_WORDS[use].title}</summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <DateField label="On" value={on} onChange={setOn} onWrong={setNoDay} />
        <button
          type="button"
          className="btn"
          disabled={noDay}
          onClick={() => void run(endStrip(hands, bed, on))}
        >
          {END_WORDS[use].button}
        </button>
      </div>
    </details>
  ) : (
    <p className="text-bark mt-2">It ended, or is to end, on {showIso(bed.piece!.until)}.</p>
  );
}
