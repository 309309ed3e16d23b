import { useState } from 'react';
import { speciesOf, wayOf } from '../../catalogue/catalogue.ts';
import { type SowToday, type SowVerdict } from '../../core/sowing/today.ts';
import { showRain, showTemperature, type UnitChoice } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { fetchForecast, type ServiceForecast } from '../../ring/weatherService.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { showDay, showWeekday } from '../../ui/dates.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { Answer, Odds } from '../../ui/parts.tsx';

const WAIT = {
  rain: 'for rain',
  warmth: 'for warmer ground',
  heat: 'until the heat is over',
  drain: 'until it has drained',
  frost: 'until frost is past',
  shade: 'nearer the day the crop leaves',
  season: 'for a surer stand',
} as const;
const HOLD = {
  drought:
    'The ground is dry, no rain is in sight and there is no water: seed would swell and die. Look again in a week.',
  frost: 'In most years a frost would kill the seedlings. Hold the seed.',
  cold: 'The ground stays too cold for this seed for months. Hold the seed.',
  thawed:
    'Too few nights will freeze from here on to work seed into the ground. Rake it in in spring instead.',
} as const;

function headline(v: SowVerdict, units: UnitChoice): string {
  switch (v.code) {
    case 'sow':
      return 'Sow today';
    case 'water-first':
      return `Water first: ${showRain(v.mm, units)}`;
    case 'wait':
      return `Wait until ${showDay(v.until)}, ${WAIT[v.why]}`;
    case 'hold':
      return 'Hold the seed';
    case 'rake-in':
      return 'Rake it in';
    case 'too-late':
      return 'Too late for this cover';
  }
}

interface Props {
  cover: Cover;
  bed: Bed;
  answer: SowToday | undefined;
  /** Something has changed and is being worked out again. */
  busy: boolean;
  forecast: ServiceForecast | null;
  onForecast(f: ServiceForecast): void;
  /** Day on which a crop that still stands on the bed leaves it. */
  cropUntil: number | undefined;
}

/** Is today good? A verdict with its reason, and the last day that still works. */
export function Today({ cover, bed, answer, busy, forecast, onForecast, cropUntil }: Props) {
  const { garden } = useGarden();
  const { units } = garden;
  // As high as the verdict that follows, so that the steps below stay where the thumb is.
  if (!answer)
    return <p className="text-bark min-h-104 py-4 sm:min-h-72">Weighing today’s ground and weather…</p>;
  const wet = answer.moisture < 0.35 ? 'dry' : answer.moisture < 0.7 ? 'moist' : 'wet';
  return (
    <section aria-label="Is today good?" aria-busy={busy}>
      <Answer big={headline(answer.verdict, units)}>
        {reason(answer, wet, (c) => showTemperature(c, units), units)}
      </Answer>
      {cropUntil !== undefined && !wayOf(cover.wayId).undersown && (
        <p className="mb-3 max-w-2xl font-bold">
          A crop stands on bed {bed.name} until {showDay(cropUntil)}: all this is for seed thrown under it
          today.
        </p>
      )}
      <Figures answer={answer} wet={wet} units={units} />
      <Ahead forecast={forecast} onForecast={onForecast} />
      {answer.verdict.code === 'too-late' && (
        <p className="mt-2 max-w-2xl">
          What still fits bed {bed.name} stands under Choose; a hardy grain is the usual last resort, straw
          the next.
        </p>
      )}
    </section>
  );
}

/** Ground, rain, heat, the stand and frost by today, and the window of days. */
function Figures({ answer, wet, units }: { answer: SowToday; wet: string; units: UnitChoice }) {
  const t = (c: number) => showTemperature(c, units);
  const from = answer.forecastDays > 0 ? 'forecast' : 'a usual year here';
  return (
    <dl className="grid max-w-2xl grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-3">
      <Fact
        name="Seed bed now"
        value={`${t(answer.soil_c)}, ${wet}`}
        note={`${speciesOf(answer.needsSpecies).name.toLowerCase()} needs ${t(answer.needs_c)}`}
      />
      <Fact name="Rain, next 7 days" value={showRain(answer.rainNext7_mm, units)} note={from} />
      <Fact name="Hottest, next 10 days" value={t(answer.hottestNext10_c)} note={from} />
      <div>
        <dt className="text-bark">A stand, sown today</dt>
        <dd>
          <Odds odds={answer.stand} strong />
        </dd>
      </div>
      <div>
        <dt className="text-bark">A frost that kills, 25 days</dt>
        <dd>
          <Odds odds={answer.frostOdds} strong />
        </dd>
      </div>
      {answer.opensOn ? (
        <Fact name="Works again from" value={showDay(answer.opensOn)} note="a stand in six years of ten" />
      ) : (
        <Fact name="Works until" value={until(answer)} note={windowNote(answer)} />
      )}
    </dl>
  );
}

/** The days ahead from the service that stands in, or the way to ask it. */
function Ahead({ forecast, onForecast }: Pick<Props, 'forecast' | 'onForecast'>) {
  const { garden, today } = useGarden();
  const [problem, setProblem] = useState('');
  const t = (c: number) => showTemperature(c, garden.units);
  const ask = async () => {
    const r = await fetchForecast(garden, today);
    setProblem(r.ok ? '' : failureWords(r.failure));
    if (r.ok) onForecast(r.value);
  };
  return (
    <>
      {forecast ? (
        <div className="mt-3 max-w-2xl">
          <p className="text-sm">
            <b>Simulated forecast</b> from the stand-in service, not weather of the world.
          </p>
          <ol
            className="mt-1 flex gap-2 overflow-x-auto text-sm"
            tabIndex={0}
            aria-label="Ten days, simulated"
          >
            {forecast.days
              .filter((d) => d.on > today)
              .map((d) => (
                <li key={d.on} className="border-linen min-w-14 border-l pl-2">
                  <span className="block">{showWeekday(d.on)}</span>
                  <span className="block whitespace-nowrap">
                    {t(d.tmin_c).replace(/ °.$/, '')}–{t(d.tmax_c).replace(/ °.$/, '°')}
                  </span>
                  <span className="block whitespace-nowrap">
                    {d.rain_mm > 0 ? showRain(d.rain_mm, garden.units) : 'dry'}
                  </span>
                </li>
              ))}
          </ol>
        </div>
      ) : (
        <p className="mt-3">
          <button type="button" className="btn" onClick={() => void ask()}>
            Ask the weather service (simulated)
          </button>{' '}
          <span className="text-bark">Works without: then this site’s climate speaks.</span>
        </p>
      )}
      {problem && (
        <p role="status" className="mt-1 max-w-2xl">
          {problem}
        </p>
      )}
    </>
  );
}

function reason(a: SowToday, wet: string, t: (c: number) => string, units: UnitChoice): string {
  const v = a.verdict;
  const stand = `${Math.round(a.stand * 100)} years in 100 bring a stand`;
  switch (v.code) {
    case 'sow':
      return `The seed bed is ${t(a.soil_c)} and ${wet}; ${stand} when it is sown today${a.standInWeek < a.stand - 0.08 ? `, ${Math.round(a.standInWeek * 100)} a week from now` : ''}.`;
    case 'water-first':
      return `The top is dry, with only ${showRain(a.rainNext7_mm, units)} of rain to be expected this week. Soak it the evening before, then keep it moist; ${stand}.`;
    case 'wait':
      return v.why === 'warmth'
        ? `The seed bed is ${t(a.soil_c)}; slow seed is eaten seed.`
        : v.why === 'drain'
          ? 'Heavy rain is due: it floats seed into drifts and seals the ground.'
          : v.why === 'heat'
            ? `Days of ${t(a.hottestNext10_c)} on dry ground kill seed as it swells. ${Math.round(a.standInWeek * 100)} in 100 a week from now against ${Math.round(a.stand * 100)} today.`
            : v.why === 'rain'
              ? 'The ground is dry; rain is forecast then. Have the seed weighed.'
              : v.why === 'shade' || v.why === 'season'
                ? `The seed bed is ${t(a.soil_c)}, warm enough, but ${v.why === 'shade' ? 'the crop above takes the light: ' : ''}only ${stand} when it is sown today. Six in ten or more do then.`
                : `A frost kills the seedlings in ${Math.round(a.frostOdds * 100)} years of 100 when they are up this early.`;
    case 'hold':
      return HOLD[v.why];
    case 'rake-in':
      return `Left on top, ${stand}; raked in, ${Math.round(v.odds * 100)} do. Change the way of sowing, or cover the seed with a finger of soil.`;
    case 'too-late':
      return `Sown today it makes a stand in ${Math.round(a.stand * 100)} years of 100, and no better day is left before planting.`;
  }
}

const until = (a: SowToday): string =>
  a.worksUntil === undefined ? 'past' : a.asLongAs ? 'the gap ends it' : showDay(a.worksUntil);

/** Best, works and last days of a sowing window, in one line. */
function windowNote(a: SowToday): string {
  if (a.asLongAs) return `any day that leaves it six weeks, to ${showDay(a.worksUntil!)}`;
  const best = a.goodUntil ? `best to ${showDay(a.goodUntil)}` : 'the best days are past';
  return a.lastUntil ? `${best}; too late after ${showDay(a.lastUntil)}` : best;
}

function Fact({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <div>
      <dt className="text-bark">{name}</dt>
      <dd>
        <span className="font-bold">{value}</span>
        <span className="text-bark block text-sm">{note}</span>
      </dd>
    </div>
  );
}
