import { kit, speciesOf } from '../catalogue/catalogue.ts';
import {
  showArea,
  showLength,
  showMass,
  showTemperature,
  showVolume,
  type UnitChoice,
} from '../core/units/show.ts';
import { showDay } from './dates.ts';
import { type ToolFit } from '../core/work/cutting.ts';
import { type Fact } from '../core/work/workAsk.ts';

/** A minute as one says it: minutes up to two hours, then hours. */
export const showMinutes = (m: number): string =>
  m < 1
    ? 'a minute'
    : m < 120
      ? `${Math.round(m)} min`
      : `${Math.floor(m / 60)} h${Math.round(m % 60) > 0 ? ` ${Math.round(m % 60)} min` : ''}`;

const tool = (id: string): string => kit.find((k) => k.id === id)?.name.toLowerCase() ?? id;
const WHY: Record<NonNullable<ToolFit['why']>, string> = {
  stem: 'its stems are thick for it',
  tall: 'it stands too tall: in two or three heights',
  heavy: 'it is heavy for it: half the width at a time',
  edge: 'the raised edge is in its way',
};
const cm = (x: number, units: UnitChoice): string => showLength(Math.max(0, x) / 100, units);
const force = (n: number): string => (n < 10 ? n.toFixed(1) : String(Math.round(n)));
const ANIMAL = {
  dogs: 'dogs',
  poultry: 'hens',
  horses: 'horses',
  stock: 'sheep or goats',
  pigs: 'pigs',
} as const;
/** From this on what rots takes nitrogen from the soil before it gives any back. */
const TIES_UP_CN = 25;
/** A day that counts under clear film, and afternoons too cool for many such. */
const FILM_DAY_C = 32;
const FILM_WORKS_C = 22;
const HARM = ['', 'with care', 'keep them off at some stages', 'never'] as const;

/** `caution` where it can hurt or fail. */
interface Words {
  text: string;
  caution?: boolean;
}
const FACTS: { [K in Fact['is']]: (f: Extract<Fact, { is: K }>, units: UnitChoice) => Words } = {
  stubble: (f, units) => {
    if (f.kill_cm === null)
      return {
        text: 'No height of stubble kills it at this stage: it shoots again from the crown.',
        caution: true,
      };
    if (f.kill_cm < 0)
      return { text: `Cut ${cm(-f.kill_cm, units)} under the soil, through the top of the root.` };
    return { text: `Stubble no higher than ${cm(f.kill_cm, units)}; higher and it grows again.` };
  },
  tool: (f, units) => ({
    text: `With ${tool(f.fit.tool)}${f.fit.why ? `: ${WHY[f.fit.why]}` : ''}.${
      f.too_high ? ` It leaves ${cm(f.least_cm, units)}: go over the stubs again by hand.` : ''
    }`,
    caution: f.fit.fits === 'awkward' || f.too_high,
  }),
  'no-tool': () => ({
    text: 'None of your blades goes through these stems. Loppers, or another way.',
    caution: true,
  }),
  'other-tools': (f) => ({
    text: `Or ${f.fits
      .map((x) =>
        x.fits === 'no'
          ? `not ${tool(x.tool)} (stems too thick)`
          : `${tool(x.tool)}, ${Math.round(x.minutesPer100m2)} min on 100 m²`,
      )
      .join('; ')}.`,
  }),
  edges: (f, units) => ({
    text: `${showLength(f.metres, units)} along the frame by hand, ${showMinutes(f.minutes)}.`,
  }),
  'mow-heights': (f, units) => ({
    text:
      f.heights_cm.length > 1
        ? `In turn at ${f.heights_cm.map((h) => cm(h, units)).join(', then ')}.`
        : `At ${cm(f.heights_cm[0]!, units)}.`,
  }),
  press: (f, units) => {
    const p = f.pressing;
    const need = p.needed_N_cm;
    const enough =
      need && p.stamped_N_cm >= need[1]
        ? 'enough'
        : need && p.stamped_N_cm >= need[0]
          ? 'just enough when stamped'
          : 'too little';
    return {
      text: `${p.lanes === 1 ? 'One lane' : `${p.lanes} lanes`} of ${f.board.toLowerCase()}, a press every ${cm(p.step_cm, units)}: ${p.presses} presses a pass.${p.passes > 2 ? ' So early a third pass pays.' : ''} ${Math.round(f.mass_kg)} kg gives ${force(p.standing_N_cm)} N on each cm of edge, ${force(p.stamped_N_cm)} stamped${
        need ? `; these stems want ${need[0]} to ${need[1]}: ${enough}` : ''
      }.${f.edges > 1 ? ` One edge in place of ${f.edges} would press ${f.edges} times as hard.` : ` Three edges would press a third as hard (${force(p.threeEdges_N_cm)}).`}`,
      caution: need !== null && p.stamped_N_cm < need[1],
    };
  },
  sheets: (f, units) => {
    const w = f.weights;
    return {
      text: `${f.names.join(' and ')}${f.turned ? ', laid crosswise' : ''}${
        f.lap_m > 0 ? `, lapping ${showLength(f.lap_m, units)} away from the wind` : ''
      }: ${showLength(f.hang_m, units)} over on every side. ${
        w.bury
          ? `Gusts of ${Math.round(f.gust_km_h)} km/h would lift any weights: bury the edge a hand deep.`
          : `For gusts of ${Math.round(f.gust_km_h)} km/h ${w.points} weights of ${kilos(w.each_kg, units)} round the edge, one every ${showLength(w.gap_m, units)}, corners double${w.inner_kg > 5 ? `, and ${kilos(w.inner_kg, units)} spread over the middle` : ''}.`
      }${f.times > 1.01 ? ` Light comes through: it lies ${Math.round((f.times - 1) * 100)} % longer.` : ''}`,
      caution: w.bury,
    };
  },
  'no-sheet': (f, units) => ({
    text: `No sheet of yours covers it: ${showLength(f.width_m, units)} x ${showLength(f.length_m, units)} is wanted, in one piece or two that lap.`,
    caution: true,
  }),
  wet: (f, units) => ({
    text: `Wet the ground first: ${showVolume(f.litres, units)} in ${f.runs === 1 ? 'one run' : `${f.runs} runs an hour apart`}${f.minutes === null ? '; measure your flow under Sow to have it in minutes' : `, ${showMinutes(f.minutes)} at your flow`}.`,
  }),
  cardboard: (f, units) => ({
    text: `${f.pieces} pieces of about 1 m x 60 cm in two layers, lapped by a hand, joints of the second over the middles of the first; ${showVolume(f.soak_l, units)} to soak them. Tape and staples off, nothing glossy.`,
  }),
  hens: (f) => {
    const p = f.pen;
    return {
      text: `${f.hens} hens, ${p.spots} spots of ${days(p.daysASpot)} each: a round takes ${Math.round(p.roundDays)} days (${f.target} hen-days on each m², ${p.nitrogen_g_m2.toFixed(0)} g/m² of nitrogen). Every day ${p.minutesADay} min; look behind the ramp before each move.${p.crowded ? ' They are too close: under a third of a square metre each.' : ''}${p.overManure ? ' More manure than many rules allow in a year.' : ''}`,
      caution: p.crowded || p.overManure,
    };
  },
  flock: (f) => ({
    text: `${f.heads} ${f.name.toLowerCase()}: about ${days(f.days)}; water, shade and a fence that holds, hay before they go on.`,
  }),
  harm: (f) => ({
    text: `${speciesOf(f.speciesId).name} and ${ANIMAL[f.animal]}: ${HARM[f.harm]}.`,
    caution: f.harm >= 2,
  }),
  dig: (f) => ({
    text: `A shallow turn takes ${showMinutes(f.minutes)}, a full spit ${showMinutes(f.full)}. Not while the soil smears or is frozen.`,
  }),
  rots: (f) => ({
    text: `C:N about ${Math.round(f.cn)}: ${f.cn < TIES_UP_CN ? 'it rots fast and feeds what comes next' : 'it ties nitrogen up while it rots'}. Wait about ${days(Math.max(1, Math.round(f.lies_d)))} after turning it in: fresh green feeds the moulds and maggots that take seed and seedlings${f.cn < TIES_UP_CN ? '' : ', or plant what fixes its own nitrogen'}.`,
  }),
  'film-days': (f, units) => {
    const cool = f.afternoon_c !== undefined && f.afternoon_c < FILM_WORKS_C;
    return {
      text: `Sealed and clear it kills after some ${days(f.bright_d)} of sun that bring it over ${showTemperature(FILM_DAY_C, units)}.${f.afternoon_c === undefined ? '' : cool ? ` Afternoons reach ${showTemperature(f.afternoon_c, units)} then: too cool for many such days, and what is not killed grows under it.` : ` Afternoons reach ${showTemperature(f.afternoon_c, units)} then.`}`,
      caution: cool,
    };
  },
  trench: (f, units) => ({
    text: `Carry the first trench to the far end: ${showVolume(f.litres, units)} of soil, one or two barrows.`,
  }),
  compost: (f, units) => ({
    text: `${showVolume(f.litres, units)} of compost, ${f.barrows} barrows, ${kilos(f.kg, units)}. So much compost feeds for years: not again soon.`,
  }),
  biofumigate: (f, units) => ({
    text: `For the gas of mustard: shred, turn under, tread and water within twenty minutes, ${showArea(f.batch_m2, units)} at a time (${showLength(f.along_m, units)} of the bed), then seal with a sheet. Open after a fortnight; cress on a jar of the soil tells when seed may go in. Stay upwind.`,
    caution: true,
  }),
  'by-hand': (f) => ({
    text: `Work round ${[f.keptPlants && 'the plants to be kept', f.obstacles > 0 && `${f.obstacles} ${f.obstacles === 1 ? 'thing' : 'things'} in the bed`].filter(Boolean).join(' and ')} by hand.`,
    caution: f.keptPlants,
  }),
  bees: () => ({
    text: 'It is in flower: before bees fly or towards dark, in strips, never at midday.',
    caution: true,
  }),
  heat: (f, units) => ({
    text: f.severe
      ? `Afternoons reach ${showTemperature(f.afternoon_c, units)} then: only in the first hours of the day, water every quarter of an hour, never alone.`
      : `Afternoons reach ${showTemperature(f.afternoon_c, units)} then: heavy work before ten or after six, and water.`,
    caution: f.severe,
  }),
  'flame-gate': () => ({
    text: 'Only where no ban is out, wind under 3 m/s and the ground round it damp; nothing dry, no pipe, film or mulch within 3 m; water under pressure and a second pair of eyes; look again after an hour and after three. Not on dead or dry cover, ever.',
    caution: true,
  }),
  'nothing-between': () => ({
    text: 'Nothing between cover and sheet: chips or compost under it shield what should die.',
  }),
  manure: (f) => ({
    text: `Raw manure: nothing that touches the soil is harvested before ${showDay(f.touching)}, nothing else before ${showDay(f.other)}; stricter local rules come first.`,
    caution: true,
  }),
  'keep-height': (f, units) => ({ text: `Leave ${cm(f.cm, units)} or more, or it does not come again.` }),
};

/** What follows from one piece of arithmetic, as a sentence. */
export const factWords = (f: Fact, units: UnitChoice): Words =>
  (FACTS[f.is] as (f: Fact, units: UnitChoice) => Words)(f, units);

const kilos = (kg: number, units: UnitChoice): string =>
  units.mass === 'imperial' ? showMass(kg * 1000, units) : `${kg < 10 ? kg.toFixed(1) : Math.round(kg)} kg`;
const days = (d: number): string =>
  d < 1.5 ? 'a day' : `${d < 10 ? Math.round(d * 2) / 2 : Math.round(d)} days`;
