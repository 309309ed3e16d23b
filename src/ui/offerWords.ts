import { aims as aimList } from '../catalogue/catalogue.ts';
import { type AimOffer, type PlantingOffer, type Thirst } from '../core/choose/begin.ts';
import { showRain, showTemperature, type UnitChoice } from '../core/units/show.ts';
import { showDay } from './dates.ts';

/** Why this planting day is offered. */
export function plantingWords(o: PlantingOffer, crop: string, units: UnitChoice): string {
  const warm = `the ground is usually ${showTemperature(o.soil_c, units)} by then`;
  switch (o.why) {
    case 'as-soon':
      return `Planting day offered: the first that leaves a cover six weeks; ${warm}.`;
    case 'mild-nights':
      return `Planting day offered for ${crop.toLowerCase()}: nights are usually ${showTemperature(o.night_c, units)} or warmer from then on${o.lastFrost ? ` and the last frost, about ${showDay(o.lastFrost)}, is past` : ''}.`;
    case 'last-frost':
      return `Planting day offered for ${crop.toLowerCase()}: some time after the usual last frost, ${showDay(o.lastFrost!)}; ${warm}.`;
    case 'warm-soil':
      return `Planting day offered for ${crop.toLowerCase()}: ${warm}${o.lastFrost ? ` and the last frost, about ${showDay(o.lastFrost)}, is past or borne` : ''}.`;
    case 'autumn':
      return `Planting day offered for ${crop.toLowerCase()}: when autumn has cooled; ${warm}.`;
  }
}

/** What a gap asks of the hose. */
export const thirstWords = ({ rain_mm, drinks_mm }: Thirst, units: UnitChoice): string =>
  `Rain usually brings ${showRain(rain_mm, units)} over this gap, and a closed cover drinks up to ${showRain(drinks_mm, units)}: what is wanting is yours to give, a good soak whenever the root zone is half dry.`;

const WHY: Record<AimOffer['why'], (crop: string) => string> = {
  hungry: (crop) => `${crop} is hungry`,
  winter: () => 'the gap holds a wet, cold season',
  'small-seed': (crop) => `${crop} is sown into clean, open ground`,
  weedy: () => 'this bed has weeds',
  long: (crop) => `${crop} stays for years, and couch among it can no longer be dug out`,
  leftover: () => 'rich ground loses nitrogen over winter',
  dry: () => 'dry weeks follow, and mulch keeps water',
  bare: () => 'bare ground is what a cover is for',
  short: () => 'weeds are what a short warm gap brings',
};

/** Why these aims are offered, in one sentence. */
export const aimsWords = (offers: AimOffer[], crop: string): string =>
  `Aims offered: ${offers
    .map(
      (o) => `${aimList.find((a) => a.id === o.id)?.name.toLowerCase()} (${WHY[o.why](crop.toLowerCase())})`,
    )
    .join(', ')}. Set your own below.`;
