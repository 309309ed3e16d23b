import { type CropEntry } from '../../catalogue/schema.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type PlantBack } from '../../core/plantBack/plantBack.ts';
import {
  depthOf_m,
  plantsFor,
  rawManureWait_d,
  startPlants,
  strawToAdd_l,
} from '../../core/plantBack/onTheDay.ts';
import { showLength, showVolume } from '../../core/units/show.ts';
import type { Bed, Cover, Garden, Planting } from '../../records/types.ts';
import { showDay, showSpan } from '../../ui/dates.ts';

interface Props {
  answer: PlantBack;
  crop: CropEntry;
  next: Planting;
  bed: Bed;
  cover: Cover;
  garden: Garden;
  restMissing: { yearsAgo: number; wanted_y: number } | undefined;
}

const ANIMALS = ['hens', 'pigs', 'graze'];

/** Figures for the day itself: plants, gaps in the mulch, seed to start, mulch to add, manure, family. */
export function OnTheDay({ answer, crop, next, bed, cover, garden, restMissing }: Props) {
  const { units } = garden;
  const plantDay = dayOf(next.plantOn);
  const set = crop.setOut;
  const { rows, plants } = plantsFor(set, bed);
  const raise = next.way === 'transplant' ? startPlants(set, plantDay) : null;
  const lies = answer.lies_g_m2.mid;
  const mulched = answer.covers.mid > 0.3;
  const straw = mulched ? Math.round(strawToAdd_l(lies, bed.area_m2) / 10) * 10 : 0;
  const dung = cover.passes.filter((p) => p.doneOn && ANIMALS.includes(p.kind)).at(-1)?.doneOn;
  const items: [string, string][] = [
    [
      next.way === 'seed' ? `about ${plants} places` : `${plants} plants`,
      `${showLength(set.row_m, units)} apart${rows ? `, in ${rows} ${rows === 1 ? 'row' : 'rows'}` : `, rows ${showLength(set.between_m, units)} apart`}`,
    ],
  ];
  if (raise)
    items.push([
      `sow the plants ${showDay(raise.usual)}`,
      `${showDay(raise.last)} at the latest for plants of a size to set out; count from the day the bed is ready when that slips`,
    ]);
  if (mulched) {
    const gap = next.way === 'seed' ? set.strip_cm : set.hole_cm;
    if (gap)
      items.push([
        next.way === 'seed'
          ? `a bare strip, ${showLength(gap / 100, units)} wide`
          : `a hole in the mulch, ${showLength(gap / 100, units)} across`,
        next.way === 'seed'
          ? 'raked to the soil before sowing; closed again when the rows stand a hand high'
          : 'the ball of roots in soil, never in what lies; the stem kept free of it; closed again when plants stand well',
      ]);
    const gaps = answer.gapsOn.mid;
    items.push([
      Number.isFinite(gaps) && straw >= 20
        ? `add ${showVolume(straw, units)} of loose straw by ${showDay(Math.max(gaps, plantDay))}`
        : 'no mulch to add',
      `${showLength(depthOf_m(lies), units)} lies there, settled; ${
        Number.isFinite(gaps)
          ? `it shows gaps from about ${showDay(gaps)}`
          : 'it covers the ground for four months and more'
      }`,
    ]);
  }
  if (Number.isFinite(answer.weeds.bare.mid)) {
    const { through, bare } = answer.weeds;
    items.push([
      Number.isFinite(through.mid) ? `hoe first about ${showDay(through.mid)}` : 'nothing to hoe for months',
      mulched && through.mid > bare.mid
        ? `weeds come through what lies ${showSpan(through.low, through.high)}; on bare ground about ${showDay(bare.mid)}`
        : `weeds are thumb-high ${showSpan(through.low, through.high)} where the crop does not shade them`,
    ]);
  }
  if (dung) {
    const wait = rawManureWait_d(set);
    items.push([
      `no harvest before ${showDay(dayOf(dung) + wait)}`,
      `animals were on the bed until ${showDay(dayOf(dung))}: ${wait} days for what ${set.touchesSoil === 'no' ? 'does not touch the ground' : 'touches the ground or is splashed'}. Local rules come first and may ask longer.`,
    ]);
  }
  if (restMissing)
    items.push([
      `${crop.family} stood here ${restMissing.yearsAgo === 0 ? 'this year' : restMissing.yearsAgo === 1 ? 'last year' : `${restMissing.yearsAgo} years ago`}`,
      `it wants ${restMissing.wanted_y} years between; look for another bed, or another family here`,
    ]);
  return (
    <section aria-labelledby="on-the-day" className="mt-6">
      <h2 id="on-the-day" className="font-display text-xl font-bold">
        On the day
      </h2>
      <dl>
        {items.map(([what, more]) => (
          <div key={what} className="border-linen border-t py-2">
            <dt className="font-bold">{what}</dt>
            <dd className="text-sm">{more}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
