import { useMemo, useState } from 'react';
import { clothOf } from '../../core/bed/cloth.ts';
import { isGrown, shareOf } from '../../core/bed/pieces.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { showRain, showTemperature, type UnitChoice } from '../../core/units/show.ts';
import {
  bareShare,
  type BedYear,
  bedYear,
  firstDay,
  type GardenYear,
  gardenYears,
  weatherOf,
  type YearWeather,
} from '../../core/years/years.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIso } from '../../ui/dates.ts';
import { SelectField } from '../../ui/fields.tsx';
import { SoilTests } from './SoilTests.tsx';
import { YearLedger } from './YearLedger.tsx';
import { AlikeStrips, YearStrips } from './YearStrips.tsx';

/** Past seasons laid next to each other: one bed through its years, or one cover or crop wherever it stood; the weather under them, and bare days of all beds with their trend. */
export function Years() {
  const { beds } = useGarden();
  const [bedId, setBedId] = useState(beds[0]?.id ?? '');
  const { years, weathers, all } = useYears();
  const [by, setBy] = useState<By>('bed');
  if (beds.length === 0) return <p>Beds and their years stand here once there are some.</p>;
  const ofBed = all.map((bedYears) => bedYears.find((b) => b.bedId === bedId));
  const shares = all.map(bareShare);
  const bedName = beds.find((b) => b.id === bedId)?.name ?? '';
  return (
    <div>
      <p className="font-display text-3xl leading-tight font-bold">{bareWords(shares)}</p>
      <div className="mt-3 flex flex-wrap gap-3">
        <div className="w-40">
          <SelectField<By>
            label="Side by side"
            value={by}
            options={[
              ['bed', 'years of a bed'],
              ['cover', 'a cover'],
              ['crop', 'a crop'],
            ]}
            onChange={setBy}
          />
        </div>
        {by === 'bed' && (
          <div className="w-40">
            <SelectField
              label="Bed"
              value={bedId}
              options={beds.map((b) => [b.id, b.name] as const)}
              onChange={setBedId}
            />
          </div>
        )}
      </div>
      {by === 'bed' ? (
        <YearStrips
          label={`Bed ${bedName} in ${years.length} years`}
          columns={years.map((y, i) => ({
            key: y.name,
            title: y.name,
            from: y.from,
            segments: ofBed[i]?.segments ?? [],
          }))}
        />
      ) : (
        <AlikeStrips key={by} by={by} />
      )}
      <YearTable years={years} weathers={weathers} ofBed={by === 'bed' ? ofBed : undefined} shares={shares} />
      <p className="text-bark mt-2">
        Counted from the day on which a bed’s own record begins, up to today; weather of the days that were
        measured.
      </p>
      {by === 'bed' && <SoilTests bedId={bedId} />}
      <YearLedger years={years} />
    </div>
  );
}
type By = 'bed' | 'cover' | 'crop';

/** The garden's years from its first record, with their weather and what every bed carried in them. */
function useYears() {
  const { garden, beds, plantings, covers, weather, today } = useGarden();
  const now = dayOf(today);
  const south = garden.site.latitude_deg < 0;
  const years = useMemo(
    () => gardenYears(firstDay(plantings, covers, today), today, south),
    [plantings, covers, today, south],
  );
  const days = useMemo(() => weather.flatMap((w) => w.days), [weather]);
  const weathers = useMemo(
    () => years.map((y) => weatherOf(days, y, garden.site)),
    [days, years, garden.site],
  );
  const all = useMemo(
    () =>
      years.map((y) => {
        const cloth = clothOf(beds, plantings, covers, y.from, y.to);
        return beds.filter(isGrown).map((b) =>
          bedYear(
            b.id,
            plantings,
            covers,
            y,
            now,
            cloth.filter((c) => c.bed.id === b.id),
            shareOf(b),
          ),
        );
      }),
    [years, beds, plantings, covers, now],
  );
  return { years, weathers, all };
}

const percent = (share: number): number => Math.round(share * 100);

function bareWords(shares: (number | undefined)[]): string {
  const [last, before] = shares.filter((s): s is number => s !== undefined).reverse();
  if (last === undefined) return 'No year to look back on yet';
  return before === undefined
    ? `${percent(last)} days of 100 bare so far`
    : `${percent(last)} days of 100 bare this year, ${percent(before)} the year before`;
}

interface OfYears {
  years: GardenYear[];
  /** The one bed in each of them, where one is looked at. */
  ofBed: (BedYear | undefined)[] | undefined;
}

/** Bare days and the weather of every year, in a table. */
function YearTable({
  years,
  weathers,
  ofBed,
  shares,
}: OfYears & { weathers: (YearWeather | undefined)[]; shares: (number | undefined)[] }) {
  const { garden } = useGarden();
  return (
    <div className="max-sm:runs-on mt-4 overflow-x-auto" tabIndex={0} role="region" aria-label="Year by year">
      <table className="text-left">
        <thead>
          <tr className="border-walnut border-b">
            <th className="py-1 pr-5">Year</th>
            {ofBed && <th className="pr-5">This bed bare</th>}
            <th className="pr-5">All beds bare</th>
            <th className="pr-5">Last frost</th>
            <th className="pr-5">First frost</th>
            <th className="pr-5">Rain</th>
            <th className="pr-5">Longest dry</th>
            <th>Mean</th>
          </tr>
        </thead>
        <tbody>
          {years.map((y, i) => {
            const w = weathers[i];
            const one = ofBed?.[i];
            return (
              <tr key={y.name} className="border-linen border-t">
                <td className="py-1 pr-5 font-bold">{y.name}</td>
                {ofBed && (
                  <td className="pr-5">
                    {one && one.known_d > 0 ? `${one.bare_d} of ${one.known_d} d` : '–'}
                  </td>
                )}
                <td className="pr-5">{shares[i] === undefined ? '–' : `${percent(shares[i])} %`}</td>
                <td className="pr-5">{w?.lastFrost ? showIso(w.lastFrost) : '–'}</td>
                <td className="pr-5">{w?.firstFrost ? showIso(w.firstFrost) : '–'}</td>
                <td className="pr-5">
                  {w
                    ? `${showRain(w.rain_mm, garden.units)}, ${Math.round(w.rainTimes * 100)} % of usual`
                    : '–'}
                </td>
                <td className="pr-5">{w ? `${w.dryRun_d} d` : '–'}</td>
                <td>
                  {w
                    ? `${showTemperature(w.mean_c, garden.units)}, ${warmerWords(w.warmer_c, garden.units)}`
                    : '–'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** Heat against the usual, in the gardener's degrees. */
function warmerWords(warmer_c: number, units: UnitChoice): string {
  const degrees = Math.abs(warmer_c) * (units.temperature === 'fahrenheit' ? 1.8 : 1);
  return degrees < 0.05
    ? 'as usual'
    : `${degrees.toFixed(1)} ${warmer_c < 0 ? 'colder' : 'warmer'} than usual`;
}
