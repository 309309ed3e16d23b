import { type DayIndex } from '../calendar/day.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { type Member, type Species } from '../stand/species.ts';
import { type Factor } from './factor.ts';
import {
  colderThan,
  type Usual,
  usualIn,
  WAKES_CD,
  warmerThan,
  type Winter,
  WINTER_WITHIN_D,
  winterAhead,
} from './usual.ts';

/**
 * Answers: is this the season for these kinds, sown on this day and ended on that one?
 * Every kind has a band of mean air temperature in which its first weeks belong (`home`): warm-season kinds sulk under it and cool-season kinds
 * above it, where mildews, rusts and mites take what growth leaves. A kind that waits for a winter and never meets one stays leafy and thin: it was sown in the wrong season, whatever it weighs.
 * The bands are judgement in the light of the usual sowing windows of each kind; the model of growth knows heat and cold, not disease.
 */
export interface InSeason {
  /** 0..1, by the shares of the members. */
  times: number;
  factors: Factor[];
}

const FIRST_WEEKS_D = 45;
/** Beyond its band a kind loses all but this over so many degrees. */
const FADES_OVER_C = 5;
const LEAST = 0.25;
/** A kind that needs a winter keeps this of its worth without one. */
const UNCHILLED_KEEPS = 0.45;
/**
 * What is up but hardly rooted when winter comes is lifted by frost, eaten by slugs and drowned. From sowing to the coldest month a kind wants this
 * warmth over 3 °C to stand it: small seed makes small plants. Judgement, set so that it comes to the usual last sowing dates: five to eight
 * weeks before the ground turns cold for clovers, mustards and phacelia, a month for vetches, two weeks for cereals, beans and peas.
 */
const ROOTED_CD = { small: 260, middling: 150, large: 70 } as const;
const SMALL_SEED_G = 10;
const LARGE_SEED_G = 90;
const UNROOTED_KEEPS = 0.4;
/** A spring kind that is to stand through a winter: some winters spare it, and a winter kind of the same make does it better in all of them (judgement). */
const SPRING_KIND_KEEPS = 0.7;
/**
 * Snow keeps the cold off and lets moulds in: what lies under it for months on unfrozen ground is thinned, the tenderer kinds first. A kind that bears
 * -8 °C takes seven weeks of it, and a week more for every 1.4 degrees that it is hardier; what lies longer loses all but LEAST over so many days. Perennials
 * wait in their crowns. Judgement, in the light of winter cereals that come through four months of it and peas and clovers that seldom do.
 */
const BORNE_FROM_C = -8;
const BORNE_D = 50;
const BORNE_PER_C = 5;
const ROTS_OVER_D = 45;
/**
 * A winter kind sown in spring waits a whole summer for its winter, leafy and unarmed: days warmer than it is at home in are borne for six weeks, about what
 * an early autumn sowing meets, and what is more takes all but LEAST over so many days. Where summers are cool few days are so warm, and rye sown at midsummer
 * for the next year is an old practice there. Perennials wait in their crowns (judgement).
 */
const SUMMER_BORNE_D = 45;
const SUMMER_OVER_D = 45;
/**
 * Where summers are cool it only waits long: growing days before its winter beyond what a sowing at midsummer meets let mildew and rust live on it and weeds
 * outgrow it; so many more take all but LEAST (judgement).
 */
const GROWING_OVER_C = 8;
const WAIT_BORNE_D = 140;
const WAIT_OVER_D = 60;
/**
 * A warm kind that is to stand through a winter without frost lives and hardly grows: once it stands, days that are colder by two degrees than it wants its
 * first weeks are borne for six weeks, about what an autumn brings before it is cut, and what is more takes all but LEAST over so many days. Sorghum and sunn hemp
 * are no covers of a subtropical winter (judgement).
 */
const STANDS_COOLER_C = 2;
const COOL_BORNE_D = 45;
const COOL_OVER_D = 45;
/** What is warm after so long is another year's spring. */
const SUMMER_WITHIN_D = 200;
/** Least chilling that tells a winter from a cool September, days. */
const A_WINTER_D = 25;

/**
 * @param endAt day index of the ending, or of planting where the weather ends it; @param frostSown seed is meant to lie until the ground warms;
 * @param byWeather frost or heat is to end it
 */
export function inSeason(
  members: Member[],
  ensemble: Ensemble,
  sownAt: DayIndex,
  endAt: number,
  frostSown = false,
  byWeather = false,
): InSeason {
  const usual = usualIn(ensemble);
  const until = Math.max(sownAt + 1, Math.min(sownAt + FIRST_WEEKS_D, endAt, ensemble.days));
  const end = Math.max(sownAt, Math.min(endAt, ensemble.days));
  const warmth = (usual.warmth[until]! - usual.warmth[sownAt]!) / (until - sownAt);
  const chilled = usual.chill[end]! - usual.chill[sownAt]!;
  const snowed_d = usual.snow[end]! - usual.snow[sownAt]!;
  const winter = frostSown
    ? undefined
    : winterAhead(usual, sownAt, Math.min(endAt, sownAt + WINTER_WITHIN_D));
  const factors: Factor[] = [];
  let times = 1;
  for (const { species, share } of members) {
    const { from_c, to_c } = species.home;
    const off = warmth > to_c ? warmth - to_c : warmth < from_c ? from_c - warmth : 0;
    const band = Math.max(LEAST, 1 - (off / FADES_OVER_C) * (1 - LEAST));
    const need = chillNeed(species);
    const met = need > 0 ? Math.min(1, chilled / need) : 1;
    const chill = UNCHILLED_KEEPS + (1 - UNCHILLED_KEEPS) * met;
    const rooted = UNROOTED_KEEPS + (1 - UNROOTED_KEEPS) * rootedBy(species, winter);
    const through =
      winter && !winter.warming && !byWeather && species.life === 'annual' && endAt > winter.overAt
        ? SPRING_KIND_KEEPS
        : 1;
    const over_d = byWeather || species.life === 'perennial' ? 0 : snowed_d - snowBorne(species);
    const snow = fading(over_d, ROTS_OVER_D);
    const hot_d =
      species.life === 'winter-annual'
        ? warmerThan(usual, sownAt, Math.min(end, sownAt + SUMMER_WITHIN_D), to_c)
        : 0;
    const summer = fading(hot_d - SUMMER_BORNE_D, SUMMER_OVER_D);
    const wait_d = need > 0 ? growingUntilChilled(usual, sownAt, end, need) : 0;
    const wait = fading(wait_d - WAIT_BORNE_D, WAIT_OVER_D);
    const limit_c = from_c - STANDS_COOLER_C;
    const cool_d =
      species.season === 'warm' && species.life === 'annual' && !byWeather
        ? colderThan(usual, sownAt, end, limit_c)
        : 0;
    const cool = fading(cool_d - COOL_BORNE_D, COOL_OVER_D);
    const here = 1 - share * (1 - band * chill * rooted * through * snow * cool * Math.min(summer, wait));
    times *= here;
    const facts = { species: species.name, mean_c: warmth, from_c, to_c };
    if (band < 1)
      factors.push({ code: warmth > to_c ? 'too-warm' : 'too-cool', times: 1 - share * (1 - band), facts });
    if (chill < 1)
      factors.push({
        code: 'never-chilled',
        times: (1 - share * (1 - band * chill)) / (1 - share * (1 - band)),
        facts: { species: species.name, days: chilled, need },
      });
    if (through < 1)
      factors.push({
        code: 'spring-kind',
        times: 1 - share * (1 - through),
        facts: { species: species.name },
      });
    if (snow < 1)
      factors.push({
        code: 'long-under-snow',
        times: 1 - share * (1 - snow),
        facts: { species: species.name, days: snowed_d, bears: snowBorne(species) },
      });
    if (cool < 1)
      factors.push({
        code: 'winter-through',
        times: 1 - share * (1 - cool),
        facts: { species: species.name, days: cool_d, under_c: limit_c },
      });
    if (wait < summer)
      factors.push({
        code: 'long-before-winter',
        times: 1 - share * (1 - wait),
        facts: { species: species.name, days: wait_d },
      });
    else if (summer < 1)
      factors.push({
        code: 'summer-through',
        times: 1 - share * (1 - summer),
        facts: { species: species.name, days: hot_d, to_c },
      });
    if (rooted < 1)
      factors.push({
        code: 'late-before-winter',
        times: 1 - share * (1 - rooted),
        facts: { species: species.name, need: needOf(species), spring: Number(winter!.warming) },
      });
  }
  return { times, factors };
}

/** Days of chilling that a kind waits for before it flowers; 0 for kinds that wait for no winter, or for more than one. */
const chillNeed = ({ life, chilling }: Species): number =>
  life === 'winter-annual' ? Math.max(chilling?.required_d ?? 0, A_WINTER_D) : 0;

/** What is left when something has gone on for `over_d` days too long, and leaves LEAST after so many. */
const fading = (over_d: number, all_d: number): number =>
  over_d > 0 ? Math.max(LEAST, 1 - (over_d / all_d) * (1 - LEAST)) : 1;

/** Growing days between sowing and the day on which a kind has had the chilling it waits for, or `end`. */
function growingUntilChilled(usual: Usual, sownAt: DayIndex, end: number, need_d: number): number {
  let met = sownAt;
  while (met < end && usual.chill[met]! - usual.chill[sownAt]! < need_d) met++;
  return warmerThan(usual, sownAt, met, GROWING_OVER_C);
}

/** Growing days that the slowest of its winter kinds stands before it has had its chilling, sown on a day index; 0 where none waits for a winter. */
export function growingWait(
  members: readonly Member[],
  ensemble: Ensemble,
  sownAt: DayIndex,
  endAt: number,
): number {
  const usual = usualIn(ensemble);
  const waits = members.map(({ species }) => {
    const need_d = chillNeed(species);
    return need_d > 0 ? growingUntilChilled(usual, sownAt, Math.min(endAt, ensemble.days), need_d) : 0;
  });
  return Math.max(...waits);
}

const needOf = ({ seed, role }: Species): number =>
  seed.thousandSeed_g < SMALL_SEED_G
    ? ROOTED_CD.small
    : seed.thousandSeed_g < LARGE_SEED_G && role !== 'grass'
      ? ROOTED_CD.middling
      : ROOTED_CD.large;

/** Days under snow that a kind bears. */
const snowBorne = ({ cold }: Species): number =>
  BORNE_D + BORNE_PER_C * Math.max(0, BORNE_FROM_C - cold.hardened_c);

/** Share 0..1 of what a kind wants before the cold, or of the warmth that wakes seed after it. */
const rootedBy = (species: Species, winter: Winter | undefined): number =>
  winter === undefined
    ? 1
    : Math.min(1, winter.warming ? winter.firstMonth_cd / WAKES_CD : winter.before_cd / needOf(species));
