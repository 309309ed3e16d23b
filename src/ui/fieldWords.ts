import { isIsoDate } from '../core/calendar/day.ts';
import { showIsoYear } from './dates.ts';

/** Fields whose plain name says too little, or another thing. */
const WORDS: Record<string, string> = {
  sowOn: 'day to sow',
  sownOn: 'day it was sown',
  plantOn: 'day to plant',
  plantedOn: 'day it was planted',
  clearOn: 'day to clear',
  clearedOn: 'day it was cleared',
  endedOn: 'day it was seen dead',
  plantBackOn: 'day to plant back',
  seasonClock: 'pretended date',
  wayId: 'way of sowing',
  cropId: 'crop',
  method: 'way of ending',
  passes: 'steps of the ending',
  parts: 'kinds and shares',
  seed: 'seed used',
  rateTimes: 'seeding rate',
  nextPlantingId: 'crop that follows',
  verdict: 'whether it is dead',
  predicted: 'what was foretold',
  formerPlans: 'plans before',
  called: 'name',
  area_m2: 'size',
  width_m: 'width',
  length_m: 'length',
  height_m: 'height',
  ring: 'outline',
  at: 'place on the plan',
  place: 'place on the map',
  piece: 'how its bed is cut',
  north_deg: 'where north lies',
  left_g: 'seed left',
  thousandSeed_g: 'weight of a thousand seeds',
  rate_g_m2: 'rate on the bag',
  packs: 'packs and prices',
  seedPrices: 'seed prices',
  things: 'things',
  thingIds: 'things set aside',
  kit: 'tools',
  rules: 'house rules',
  choices: 'house rules',
  marks: 'what stands beside the beds',
  learnt: 'what the garden has shown',
  waterings: 'waterings',
  walk: 'how far the sowing has come',
  watered: 'kept moist',
  irrigated: 'watered through dry weeks',
  cover: 'ground covered',
  members: 'kinds, one by one',
  keptPlants: 'plants kept',
  keeps: 'who is kept from harm',
};

/** A field as a gardener would name it; of a part, the field and which part. */
export function fieldWords(field: string): string {
  const [name, part] = field.split('.') as [string, string | undefined];
  const words =
    WORDS[name] ??
    name
      .replace(/_(m2|m|g|c|deg|mm|kg|d)$/, '')
      .replace(/Id(s?)$/, '$1')
      .replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`)
      .replace(/_/g, ' ');
  if (part === undefined) return words;
  const nth = Number(part);
  return Number.isInteger(nth) ? `${words}, number ${nth + 1}` : words;
}

const LONGEST = 40;
/** What a field holds, in a few words. */
export function valueWords(x: unknown): string {
  if (x === null || x === undefined || x === '') return 'nothing';
  if (typeof x === 'boolean') return x ? 'yes' : 'no';
  if (typeof x === 'number') return String(Math.round(x * 1000) / 1000);
  if (typeof x === 'string') return isIsoDate(x) ? showIsoYear(x) : shortened(`"${x}"`);
  if (Array.isArray(x)) return x.length === 0 ? 'nothing' : `a list of ${x.length}`;
  return 'something else';
}
const shortened = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text);
