import { coverTitle, cropOf, findCrop, findSpecies, species, speciesOf } from '../catalogue/catalogue.ts';
import { type Ground, sameGround } from '../core/bed/pieces.ts';
import { coverDays, plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf } from '../core/calendar/day.ts';
import { type Built, builtBefore } from '../core/strips/building.ts';
import { GRASSES, SEASON_D, type MowingInput, type Neighbour, type Sward } from '../core/strips/mowing.ts';
import type { Bed, Cover, Garden, Planting, WeatherYear } from '../records/types.ts';
import { aheadOf, measured } from './cover.ts';

/** What a path may be made of beside the grasses that come by themselves: kinds that come again for years. */
export const pathKinds = species.filter((s) => s.life === 'perennial');
export const GRASS = 'grass';
/** Mown this low where nobody said otherwise: clover and grasses keep enough leaf to come again. */
export const USUAL_LOW_CM = 6;
const swardOf = (what: string): Sward => {
  const kind = pathKinds.find((s) => s.id === what);
  return kind
    ? {
        thermal: kind.thermal,
        heightFlower_m: kind.growth.heightFlower_m,
        flower_cd: kind.stages.flower_cd,
        leafyPct: kind.nitrogen.leafyPct,
      }
    : GRASSES;
};

interface Contents {
  garden: Garden;
  beds: Bed[];
  covers: Cover[];
  plantings: Planting[];
  weather: WeatherYear[];
}

/** Pieces that touch this one in its bed: before it and after it along the side that was cut. */
export function besideIn<B extends Ground>(piece: B, beds: readonly B[], on: Day): B[] {
  const cut = piece.piece;
  if (!cut) return [];
  const near = (a: number, b: number) => Math.abs(a - b) < 1e-6;
  return beds.filter(
    ({ piece: p }) =>
      p?.of === cut.of &&
      p.side === cut.side &&
      dayOf(p.from) <= on &&
      (p.until === null || on < dayOf(p.until)) &&
      (near(p.share[1], cut.share[0]) || near(p.share[0], cut.share[1])),
  );
}

/** Crops and covers on the pieces beside a path, with the height that each reaches. */
export function neighboursOf(piece: Bed, { beds, covers, plantings }: Contents, on: Day): Neighbour[] {
  const ids = new Set(besideIn(piece, beds, on).map((b) => b.id));
  return [
    ...plantings
      .filter((p) => ids.has(p.bedId) && findCrop(p.cropId))
      .map((p) => {
        const crop = cropOf(p.cropId);
        const { from, to } = plantingDays(p);
        return { name: crop.name.toLowerCase(), from, to, height_m: crop.stands_m };
      }),
    ...covers
      .filter((c) => ids.has(c.bedId) && c.verdict !== 'dead')
      .map((c) => {
        const { from, endFrom } = coverDays(c);
        return {
          name: coverTitle(c).toLowerCase(),
          from,
          to: endFrom,
          height_m: Math.max(...c.parts.map((p) => speciesOf(p.speciesId).growth.heightFlower_m)),
        };
      }),
  ];
}

/** When a path wants mowing, asked of the core; undefined where nobody said what it is made of. */
export function mowingInput(
  piece: Bed,
  contents: Contents,
  today: string,
  years: number,
): MowingInput | undefined {
  const { life } = piece;
  if (piece.piece?.use !== 'path' || !life) return undefined;
  const now = dayOf(today);
  return {
    site: contents.garden.site,
    soil: piece.soil,
    sward: swardOf(life.what),
    low_cm: life.low_cm ?? USUAL_LOW_CM,
    mownOn: life.done.filter((d) => d.kind === 'mow' && d.on <= today).map((d) => dayOf(d.on)),
    sownOn: dayOf(life.since),
    today: now,
    beside: neighboursOf(piece, contents, now),
    observed: contents.weather.flatMap((w) =>
      w.days.filter((d) => d.on <= today && dayOf(d.on) >= now - SEASON_D).map(measured),
    ),
    ahead: aheadOf(contents.weather, today) ?? [],
    years,
  };
}

/** How the ground of a film or of a plant that stays was rested before it was taken; covers that were sown, and those planned until then. */
export function builtUnder(piece: Bed, { beds, covers }: Pick<Contents, 'beds' | 'covers'>): Built {
  const ids = sameGround(piece.id, beds);
  return builtBefore(
    covers
      .filter((c) => ids.has(c.bedId))
      .map((c) => {
        const { from, to } = coverDays(c);
        return { from, to, feeds: c.parts.some((p) => findSpecies(p.speciesId)?.role === 'legume') };
      }),
    dayOf(piece.life?.since ?? piece.piece!.from),
  );
}
