import { thingsOfKit, USUAL_PERSON, USUAL_WIND } from './things.ts';

/**
 * What each form of the records added, applied alike to rows of an old database and to old garden files. Append only.
 * Form 2: house rules on plastic, animals and fire; what is known of a bed (edges, kept plants, shade, troubles, weeds); a cover's
 * own seeding rate against the usual.
 * Form 3: seed lots, recipes and packs; how the garden is watered; obstacles and surface of a bed; lateness, strips and the walk of a cover.
 * Form 4: hard seed that the germination of a sowing counts.
 * Form 6: where a bed lies on the earth; how long clear film may lie; who wrote each field last and when, kept beside the records.
 * Form 7: things with their sizes in place of kit ticks, who works here and how long, wind, sides taken in what
 * growers do differently; things set aside for a cover, and the name of the mix it is; where beds and other things lie on the plan; what the garden has
 * shown, where it is let into forecasts; trials.
 * Form 5: waterings after sowing, what was predicted for a cover and the plans it had before; crowns counted in a look, and its members one by one.
 */
type Row = Record<string, unknown>;

const TO_FORM_2: Record<string, (row: Row) => Row> = {
  gardens: (g) => ({
    ...g,
    rules: { noPlastic: false, noAnimals: false, noFire: false, ...(g.rules as Row) },
  }),
  beds: (b) => ({ edged: false, keptPlants: false, shade: 'open', troubles: [], ...b }),
  covers: (c) => ({ rateTimes: 1, ...c }),
};

const TO_FORM_3: Record<string, (row: Row) => Row> = {
  gardens: (g) => ({ packs: {}, watering: null, ...g }),
  beds: (b) => ({ obstacles: [], surface: 'clean', ...b }),
  covers: (c) => ({
    weeksLate: 0,
    strips: null,
    eaten: false,
    walk: null,
    ...c,
    seed: ((c.seed ?? []) as Row[]).map((s) => ({ lotId: null, ...s })),
  }),
};

const TO_FORM_4: Record<string, (row: Row) => Row> = {
  covers: (c) => ({ ...c, seed: ((c.seed ?? []) as Row[]).map((s) => ({ hard: 0, ...s })) }),
};

const TO_FORM_5: Record<string, (row: Row) => Row> = {
  covers: (c) => ({ waterings: [], predicted: null, formerPlans: [], ...c }),
  looks: (l) => ({ crowns: null, members: [], ...l }),
};

const TO_FORM_6: Record<string, (row: Row) => Row> = {
  gardens: (g) => ({ ...g, rules: { filmCap_d: 14, ...(g.rules as Row) } }),
  beds: (b) => ({ place: null, ...b }),
};

const TO_FORM_7: Record<string, (row: Row) => Row> = {
  gardens: (g) => ({
    people: [{ id: 'you', ...USUAL_PERSON }],
    wind: USUAL_WIND,
    choices: {},
    north_deg: 0,
    marks: [],
    learnt: null,
    trials: [],
    ...g,
    ...(Array.isArray(g.things) || !Array.isArray(g.kit)
      ? {}
      : thingsOfKit(g.kit.filter((k): k is string => typeof k === 'string'))),
  }),
  beds: (b) => ({ choices: {}, at: null, ...b }),
  covers: (c) => ({ thingIds: [], called: '', ...c }),
};

const STEPS: Record<number, Record<string, (row: Row) => Row>> = {
  2: TO_FORM_2,
  3: TO_FORM_3,
  4: TO_FORM_4,
  5: TO_FORM_5,
  6: TO_FORM_6,
  7: TO_FORM_7,
};
export const NEWEST_FORM = 7;

/** One row of `table`, brought from form `from` to form `to`. */
export function upgradeRow(table: string, row: Row, from: number, to = NEWEST_FORM): Row {
  let at = row;
  for (let form = from + 1; form <= to; form++) at = STEPS[form]?.[table]?.(at) ?? at;
  return at;
}
