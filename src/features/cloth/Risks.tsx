import { endingBegun } from '../../core/bed/timeline.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { coverTitle, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { clashesByDates } from '../../questions/share.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';

/** Odds under which a plan is worth a warning, and by how much another way must be better to be named. */
const WORRYING = 0.8;
const BETTER_BY = 0.1;
const MOST_SHOWN = 4;

interface Risk {
  cover: Cover;
  weight: number;
  text: string;
  way: string;
}

/** The worst that stands on the cloth, in words: what may not be out of the way in time, or may seed. */
export function Risks({
  covers: living,
  forecasts,
}: {
  covers: Cover[];
  forecasts: ReadonlyMap<string, Forecast>;
}) {
  const { garden, beds, covers, today } = useGarden();
  const clashes = useMemo(
    () => clashesByDates({ garden, beds, covers }).filter((c) => c.clash.day >= dayOf(today) - 1),
    [garden, beds, covers, today],
  );
  const risks = living
    .flatMap((cover) => {
      const forecast = forecasts.get(cover.id);
      return forecast ? risksOf(cover, forecast) : [];
    })
    .sort((a, b) => b.weight - a.weight)
    .slice(0, MOST_SHOWN);
  const waiting = living.length - forecasts.size;
  return (
    <section aria-label="What may go wrong">
      <h2 className="font-display mt-5 text-lg font-bold">What may go wrong</h2>
      {waiting > 0 && (
        <p className="text-bark text-sm">
          Working out {waiting} {waiting === 1 ? 'cover' : 'covers'}…
        </p>
      )}
      {waiting === 0 && risks.length === 0 && clashes.length === 0 && (
        <p>Nothing that stands or is planned is likely to fail.</p>
      )}
      <ul>
        {clashes.map(({ clash, cover, thing, holder }) => (
          <li key={`${cover.id}${clash.of}`} className="border-linen border-t py-2 text-sm">
            <Link to="/shared" className="font-bold underline-offset-2 hover:underline">
              Bed {beds.find((b) => b.id === cover.bedId)?.name} wants{' '}
              {thing ? `the ${thing.name.toLowerCase()}` : 'a thing'} on {showDay(clash.day)}
            </Link>{' '}
            {thing
              ? `while it is on bed ${holder}. See Shared for ways round.`
              : 'and none that there is fits it.'}
          </li>
        ))}
        {risks.map((r) => (
          <li key={`${r.cover.id}${r.text}`} className="border-linen border-t py-2 text-sm">
            <Link to={r.way} className="font-bold underline-offset-2 hover:underline">
              Bed {beds.find((b) => b.id === r.cover.bedId)?.name}: {coverTitle(r.cover).toLowerCase()}
            </Link>{' '}
            {r.text}
          </li>
        ))}
      </ul>
    </section>
  );
}

const nameOf = (id: string): string => methods.find((m) => m.id === id)?.name.toLowerCase() ?? id;
const of100 = (odds: number): string => `${Math.round(odds * 100)} years of 100`;

function risksOf(cover: Cover, f: Forecast): Risk[] {
  const out: Risk[] = [];
  const shown = f.settled ?? f.best;
  if (!shown) return out;
  const plant = cover.plantBackOn ? ` by ${showDay(dayOf(cover.plantBackOn))}` : '';
  const way = `/cover/${cover.id}/${cover.sownOn ? 'terminate' : 'look'}`;
  const begun = endingBegun(cover);
  if (shown.odds.inTime < WORRYING) {
    const other =
      !begun && f.best && f.best.odds.inTime > shown.odds.inTime + BETTER_BY
        ? ` Better: ${nameOf(f.best.method)}, begun ${showDay(f.best.startDay)}: ${of100(f.best.odds.inTime)}.`
        : '';
    out.push({
      cover,
      weight: 1 - shown.odds.inTime,
      text: `is out of the way${plant} in only ${of100(shown.odds.inTime)} (${nameOf(shown.method)}).${other}`,
      way: cover.sownOn ? way : `/bed/${cover.bedId}`,
    });
  }
  if (!begun && cover.method !== 'let-seed' && shown.odds.noSeed < WORRYING)
    out.push({
      cover,
      weight: (1 - shown.odds.noSeed) * 0.8,
      text: `may shed ripe seed before it is ended, in ${of100(1 - shown.odds.noSeed)}.`,
      way,
    });
  if (cover.sownOn && f.stand.stand < WORRYING)
    out.push({
      cover,
      weight: (1 - f.stand.stand) * 0.7,
      text: `may stay a thin stand, in ${of100(1 - f.stand.stand)}. Look, and sow gaps again early.`,
      way: `/cover/${cover.id}/look`,
    });
  return out;
}
