import { type Site } from '../core/site/site.ts';
import { type Ground } from '../core/units/length.ts';
import { type UnitChoice } from '../core/units/show.ts';
import { thingsOfKit, USUAL_PERSON, USUAL_WIND } from '../records/things.ts';
import type { Bed, Garden } from '../records/types.ts';
import { USUAL_RULES } from './rules.ts';

/** A garden of which only place, units and tools are known yet. */
export const freshGarden = (said: {
  id: string;
  name: string;
  site: Site;
  siteFrom: string;
  units: UnitChoice;
  /** Ticks of tools; those that have a size become things of the usual one. */
  tools: readonly string[];
  createdAt: string;
}): Garden => ({
  id: said.id,
  name: said.name,
  site: said.site,
  siteFrom: said.siteFrom,
  units: said.units,
  currency: '',
  ...thingsOfKit(said.tools),
  people: [{ id: 'you', ...USUAL_PERSON }],
  wind: USUAL_WIND,
  choices: {},
  keeps: [],
  rules: USUAL_RULES,
  seedPrices: {},
  packs: {},
  watering: null,
  north_deg: 0,
  marks: [],
  learnt: null,
  trials: [],
  seasonClock: null,
  createdAt: said.createdAt,
});

/** A bed of which only name and size are known yet: middling loam, open to the sky, clean. */
export const freshBed = (
  of: Pick<Bed, 'id' | 'gardenId' | 'name' | 'order'> & Ground & Partial<Bed>,
): Bed => ({
  block: '',
  ring: null,
  at: null,
  place: null,
  soil: { texture: 'loam', fertility: 'fair' },
  edged: false,
  keptPlants: false,
  shade: 'open',
  troubles: [],
  obstacles: [],
  surface: 'clean',
  choices: {},
  note: '',
  ...of,
});
