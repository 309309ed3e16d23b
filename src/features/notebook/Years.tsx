import { useMemo, useState } from 'react';
import { coverTitle, findCrop, findSpecies } from '../../catalogue/catalogue.ts';
import { clothOf } from '../../core/bed/cloth.ts';
import { isGrown, shareOf } from '../../core/bed/pieces.ts';
import { type Segment } from '../../core/bed/timeline.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { showRain, showTemperature } from '../../core/units/show.ts';
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
import { monthName, showIso } from '../../ui/dates.ts';
import { SelectField } from '../../ui/fields.tsx';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';
import { SoilTests } from './SoilTests.tsx';
import { YearLedger } from './YearLedger.tsx';

const PX_A_DAY = 0.92;
const WIDE = 92;
const LEFT = 44;
const TOP = 24;
const PREFIX = 'years';
const MONTHS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];

/** Past seasons laid next to each other: one bed through its years, the weather under them, and bare days of all beds with their trend. */
export function Years() {
  const { beds } = useGarden();
  const [bedId, setBedId] = useState(beds[0]?.id ?? '');
  const { years, weathers, all } = useYears();
  if (beds.length === 0) return <p>Beds and their years stand here once there are some.</p>;
  const ofBed = all.map((bedYears) => bedYears.find((b) => b.bedId === bedId));
  const shares = all.map(bareShare);
  return (
    <div>
      <p className="font-display text-3xl leading-tight font-bold">{bareWords(shares)}</p>
      <div className="mt-3 w-40">
        <SelectField
          label="Bed"
          value={bedId}
          options={beds.map((b) => [b.id, b.name] as const)}
          onChange={setBedId}
        />
      </div>
      <YearStrips name={beds.find((b) => b.id === bedId)?.name ?? ''} years={years} ofBed={ofBed} />
      <YearTable years={years} weathers={weathers} ofBed={ofBed} shares={shares} />
      <p className="text-bark mt-2">
        Counted from the day on which a bed’s own record begins, up to today; weather of the days that were
        measured.
      </p>
      <SoilTests bedId={bedId} />
      <YearLedger years={years} />
    </div>
  );
}

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
  const weathers = useMemo(() => years.map((y) => weatherOf(days, y)), [days, years]);
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
  /** The one bed in each of them. */
  ofBed: (BedYear | undefined)[];
}

/** One bed through its years, side by side, woven from the record. */
function YearStrips({ name, years, ofBed }: OfYears & { name: string }) {
  const height = 366 * PX_A_DAY;
  const total = LEFT + years.length * (WIDE + 14);
  const line = (d: number) => TOP + d * PX_A_DAY;
  return (
    <div
      className="max-sm:runs-on mt-3 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="The years of one bed"
    >
      <svg width={total} height={height + 40} role="img" aria-label={`Bed ${name} in ${years.length} years`}>
        <WeaveDefs prefix={PREFIX} />
        {MONTHS.map((d, m) => (
          <g key={m}>
            <line x1={LEFT - 6} x2={total} y1={line(d)} y2={line(d)} stroke="var(--color-linen)" />
            <text x={2} y={line(d) + 13} fontSize={14} fill="var(--color-bark)">
              {monthName(years[0]!.from + d + 3)}
            </text>
          </g>
        ))}
        {years.map((y, i) => {
          const x = LEFT + i * (WIDE + 14);
          return (
            <g key={y.name}>
              <text
                x={x + WIDE / 2}
                y={16}
                textAnchor="middle"
                fontSize={16}
                fontWeight={700}
                fill="var(--color-walnut)"
              >
                {y.name}
              </text>
              <rect x={x} y={TOP} width={WIDE} height={height} fill={`url(#${PREFIX}-warp)`} />
              {ofBed[i]?.segments.map((s) => (
                <Piece key={s.from} s={s} x={x} y={line(s.from - y.from)} h={(s.to - s.from) * PX_A_DAY} />
              ))}
            </g>
          );
        })}
      </svg>
    </div>
  );
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
            <th className="pr-5">This bed bare</th>
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
            const one = ofBed[i];
            return (
              <tr key={y.name} className="border-linen border-t">
                <td className="py-1 pr-5 font-bold">{y.name}</td>
                <td className="pr-5">{one && one.known_d > 0 ? `${one.bare_d} of ${one.known_d} d` : '–'}</td>
                <td className="pr-5">{shares[i] === undefined ? '–' : `${percent(shares[i])} %`}</td>
                <td className="pr-5">{w?.lastFrost ? showIso(w.lastFrost) : '–'}</td>
                <td className="pr-5">{w?.firstFrost ? showIso(w.firstFrost) : '–'}</td>
                <td className="pr-5">{w ? showRain(w.rain_mm, garden.units) : '–'}</td>
                <td className="pr-5">{w ? `${w.dryRun_d} d` : '–'}</td>
                <td>{w ? showTemperature(w.mean_c, garden.units) : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Piece({ s, x, y, h }: { s: Segment; x: number; y: number; h: number }) {
  const { covers, plantings } = useGarden();
  if (s.kind === 'bare') return null;
  const cover = covers.find((c) => c.id === s.refId);
  const planting = plantings.find((p) => p.id === s.refId);
  const kinds = cover?.parts.map((p) =>
    (findSpecies(p.speciesId)?.name ?? p.speciesId).split(/[ ,]/).at(-1)!,
  );
  const words = cover
    ? cover.called || (kinds!.length > 1 ? kinds!.join(', ').toLowerCase() : coverTitle(cover))
    : (findCrop(planting?.cropId ?? '')?.name ?? planting?.cropId ?? '');
  const short = words.length > 14 ? `${words.slice(0, 13)}…` : words;
  return (
    <g>
      <title>{words}</title>
      {s.kind === 'cover' && cover ? (
        <Woven
          prefix={PREFIX}
          x={x}
          y={y}
          width={WIDE}
          height={h}
          bands={cover.parts.map((p) => ({
            motif: findSpecies(p.speciesId)?.role ?? 'broadleaf',
            share: p.share,
          }))}
        />
      ) : (
        <rect x={x} y={y} width={WIDE} height={h} fill={`url(#${PREFIX}-${s.kind})`} />
      )}
      {h > 26 && (s.kind === 'cover' || s.kind === 'crop') && (
        <>
          <rect x={x + 4} y={y + h / 2 - 10} width={WIDE - 8} height={20} fill="var(--color-paper)" />
          <text
            x={x + WIDE / 2}
            y={y + h / 2 + 5}
            textAnchor="middle"
            fontSize={12.5}
            fontWeight={600}
            fill="var(--color-walnut)"
          >
            {short}
          </text>
        </>
      )}
    </g>
  );
}
