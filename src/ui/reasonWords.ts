import { type Reason } from '../core/choose/reason.ts';
import { showPerArea, showRain, showTemperature, type UnitChoice } from '../core/units/show.ts';
import { showDay } from './dates.ts';
import { type Trouble } from '../core/stand/troubles.ts';
import { TROUBLE_WORDS } from './troubleWords.ts';
import { METHOD_SHORT } from './methodWords.ts';
import { readyWords } from './readyWords.ts';

const GROUP_WORDS: Record<string, string> = {
  roots: 'crops grown for their roots',
  alliums: 'onions and their kin',
  legumes: 'beans and peas',
  transplants: 'transplants',
  brassicas: 'cabbages and their kin',
  cucurbits: 'squash and cucumbers',
  solanaceae: 'tomatoes, peppers and potatoes',
  'heavy-feeders': 'hungry crops',
};

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

interface Words {
  lead: string;
  rest: string;
}

/** The numbers of a reason as its sentences take them. */
interface Told {
  n(fact: string): number;
  s(fact: string): string;
  /** The way it speaks of, in a word or two. */
  way: string;
  degrees(c: number): string;
  units: UnitChoice;
}

const of100 = (x: number): string => `${Math.round(x * 100)} years of 100`;
const gone = (share: number): string => `${Math.round(share * 100)} %`;

/** A bold start and a sentence for every reason the core can give. */
const WORDS: Record<Reason['code'], (told: Told) => Words> = {
  feeds: ({ n, s, units }) => ({
    lead: `Feeds the ${s('crop').toLowerCase()}.`,
    rest: `${showPerArea(n('nitrogen'), units)} of nitrogen in its first ten weeks (${showPerArea(n('low'), units)} to ${showPerArea(n('high'), units)}), ${gone(n('nitrogen') / n('need'))} of its need.`,
  }),
  'covered-early': ({ n }) => ({
    lead: 'Closes the ground early.',
    rest: `Four fifths covered before hard frost or within 60 days in ${of100(n('odds'))}; middle year ${showDay(n('day'))}.`,
  }),
  'in-time': ({ n, way }) => ({
    lead: `Over in time (${way}).`,
    rest: `Begun ${showDay(n('start'))}${n('lies') > 5 ? `, ${Math.round(n('lies'))} days until it is dead` : ''}; ${lower(readyWords({ odds: { inTime: n('odds'), warm: n('warm'), dead: 1, noSeed: 1 } }, n('plantDay')))}`,
  }),
  'frost-ends-it': ({ n }) => ({
    lead: 'Frost ends it for you.',
    rest: `Dead and mellow by planting in ${of100(n('odds'))}. Keep a second way ready all the same.`,
  }),
  'holds-weeds': ({ n }) => ({
    lead: 'Holds weeds down.',
    rest: `On planting day ${gone(n('share'))} fewer weeds, by weight, than had the bed been left bare.`,
  }),
  flowers: ({ n }) => ({
    lead: 'Feeds bees.',
    rest: `${Math.round(n('days'))} days in flower before it is ended. Cut at dusk or in portions.`,
  }),
  mulch: ({ n, units }) => ({
    lead: 'Leaves mulch.',
    rest: `${showPerArea(n('residue'), units)} of residue still lies there on planting day.`,
  }),
  late: ({ n, way }) => ({
    lead: 'Not out of the way in time.',
    rest:
      Number.isFinite(n('late')) && n('late') > 0
        ? `Ready about ${showDay(n('ready'))}, ${Math.round(n('late'))} days after planting day, by its best way (${way}).`
        : `Ready by planting day in only ${of100(n('odds'))} by its best way (${way}).`,
  }),
  'no-kit': () => ({
    lead: 'No way to end it.',
    rest: 'Every way of ending needs a tool that is not at hand. Mark tools under Ground.',
  }),
  'crimp-too-early': ({ n }) => ({
    lead: 'Too early to crimp.',
    rest: `It flowers about ${showDay(n('day'))}, ${n('late') > 0 ? `${Math.round(n('late'))} days after` : `only ${Math.round(-n('late'))} days before`} planting day.`,
  }),
  'method-fails': ({ n, way }) => ({
    lead: 'Hard to kill here.',
    rest: `The best way at hand (${way}) leaves ${gone(n('surviving'))} of the plants alive on average; dead in time in ${of100(n('odds'))}.`,
  }),
  'ties-up-nitrogen': ({ n, units }) => ({
    lead: 'Ties nitrogen up.',
    rest: `Takes about ${showPerArea(n('nitrogen'), units)} from the crop at first (C:N ${Math.round(n('cn'))}). Feed the crop or let it lie longer.`,
  }),
  'same-family': ({ s }) => ({
    lead: 'Same family as what follows.',
    rest: `${s('species')} and ${s('crop').toLowerCase()} are both ${s('family')} and share pests and diseases.`,
  }),
  'family-before': ({ n, s }) => ({
    lead: 'Same family as before.',
    rest: `${s('species')} is ${s('family')}, like what this bed bore ${n('years') < 1 ? 'this year' : `${n('years')} ${n('years') === 1 ? 'year' : 'years'} ago`}.`,
  }),
  'poor-before': ({ n, s }) =>
    s('group') === 'small-seeded'
      ? {
          lead: 'Small seed must wait.',
          rest: `${s('species')} residue holds small seed back for about ${n('days')} warm days; transplants mind it little.`,
        }
      : {
          lead: `Not the best before ${s('crop').toLowerCase()}.`,
          rest: `${s('species')} is usually kept away from ${GROUP_WORDS[s('group')] ?? s('group')}.`,
        },
  'good-before': ({ s }) => ({
    lead: `Good before ${s('crop').toLowerCase()}.`,
    rest: `${s('species')} is usually welcome ahead of ${GROUP_WORDS[s('group')] ?? s('group')}.`,
  }),
  'own-seed': ({ s }) => ({
    lead: 'Your own.',
    rest: { shelf: 'The seed is on your shelf.', packet: 'A packet you have.', mix: 'A mix you keep.' }[
      s('from') as 'shelf' | 'packet' | 'mix'
    ],
  }),
  'too-warm': ({ n, s, degrees }) => ({
    lead: 'Too warm for it.',
    rest: `${s('species')} is at home in first weeks of up to ${degrees(n('to_c'))} on average; here they are ${degrees(n('mean_c'))}. Heat makes it slow, sick or thin.`,
  }),
  'too-cool': ({ n, s, degrees }) => ({
    lead: 'Too cool for it.',
    rest: `${s('species')} wants first weeks of at least ${degrees(n('from_c'))} on average; here they are ${degrees(n('mean_c'))}.`,
  }),
  'never-chilled': ({ n, s }) => ({
    lead: 'Sown out of its season.',
    rest: `${s('species')} waits for a winter, about ${Math.round(n('need'))} chilly days, and meets ${Math.round(n('days'))} before it is ended: it stays leafy and thin.`,
  }),
  'late-before-winter': ({ n, s }) => ({
    lead: n('spring') ? 'The ground is still cold.' : 'Late before winter.',
    rest: n('spring')
      ? `${s('species')} raked in now lies too long: seed rots, or mice and slugs find it. Wait until the ground warms.`
      : `${s('species')} meets the cold hardly rooted: frost lifts small plants and slugs take them. Sow sooner, or wait for spring.`,
  }),
  'long-under-snow': ({ n, s }) => ({
    lead: 'Long under snow.',
    rest: `Snow lies for about ${Math.round(n('days'))} days here. Mould thins ${s('species').toLowerCase()} under it after some ${Math.round(n('bears'))}; hardier kinds bear it longer.`,
  }),
  'summer-through': ({ n, s, degrees }) => ({
    lead: 'A winter kind in summer.',
    rest: `${s('species')} would stand, never in ear or flower, through about ${Math.round(n('days'))} days warmer than ${degrees(n('to_c'))} before its winter comes. Rust, mildew and drought thin it; sow it when they are over.`,
  }),
  'winter-through': ({ n, s, degrees }) => ({
    lead: 'A summer kind in winter.',
    rest: `${s('species')} would stand through about ${Math.round(n('days'))} days colder than ${degrees(n('under_c'))} on average: without frost it lives and hardly grows. Sow it when it is warm.`,
  }),
  'long-before-winter': ({ n, s }) => ({
    lead: 'Long before its winter.',
    rest: `${s('species')} would stand leafy through about ${Math.round(n('days'))} growing days before its winter comes: mildew and rust live on it and weeds outgrow it. From midsummer on it is in place.`,
  }),
  'spring-kind': ({ s }) => ({
    lead: 'A spring kind.',
    rest: `${s('species')} is not bred to stand a winter: mild ones spare it, others do not. A winter kind does the same more surely.`,
  }),
  thinned: ({ n, s }) => ({
    lead: 'Does not come through.',
    rest: `Of the ${s('species').toLowerCase()} ${gone(n('share'))} of the plants live when the work is due.`,
  }),
  'residue-in-the-way': ({ n, s, units }) => ({
    lead: 'Residue in the way.',
    rest: `${showPerArea(n('residue'), units)} still lies there when ${s('crop').toLowerCase()} is sown; rake it aside first.`,
  }),
  thirsty: ({ n, s, units }) => ({
    lead: 'Drinks from what follows.',
    rest: `${s('crop')} finds about ${showRain(n('mm'), units)} less water in the ground than after bare soil.`,
  }),
  'bears-drought': ({ n, s }) => ({
    lead: 'Bears drought.',
    rest: `The ground falls ${gone(n('share'))} short of what plants would drink; ${s('species').toLowerCase()} minds that less than most.`,
  }),
  'dry-ground': ({ n, s }) => ({
    lead: 'Minds drought.',
    rest: `The ground falls ${gone(n('share'))} short of what plants would drink, and ${s('species').toLowerCase()} suffers sooner than most.`,
  }),
  'wet-ground': ({ n, s }) => ({
    lead: 'Minds wet feet.',
    rest: `This ground stands full of water about ${gone(n('share'))} of the time; ${s('species').toLowerCase()} yellows and rots in it.`,
  }),
  sod: () => ({
    lead: 'Living sod.',
    rest: 'Seed raked into sod mostly hangs in the thatch: turn it, or lay a sheet first.',
  }),
  'wants-light-ground': ({ s }) => ({
    lead: 'Wants light, sour ground.',
    rest: `${s('species')} stays yellow where the soil is heavy or limy. Try a square metre first.`,
  }),
  'little-known': ({ s }) => ({
    lead: 'Little known.',
    rest: `Figures for ${s('species').toLowerCase()} are thin; hold it below what is proven when they come close.`,
  }),
  'leaves-the-bed': ({ n, units }) => ({
    lead: 'Takes from the bed.',
    rest: `${showPerArea(n('dm'), units)} of dry matter and ${showPerArea(n('nitrogen'), units)} of nitrogen leave it; bring them back as compost.`,
  }),
  hazard: ({ s }) => ({ lead: `Caution: ${s('species').toLowerCase()}.`, rest: s('text') }),
  'thin-stand': ({ n }) => ({
    lead: 'Often a thin stand.',
    rest: `Covers half the ground in only ${of100(n('odds'))}.`,
  }),
  'sets-seed': ({ n }) => ({
    lead: 'May set seed.',
    rest: `Ripe seed before it is ended in ${of100(n('odds'))}.`,
  }),
  trouble: ({ s }) => ({
    lead: `Feeds ${TROUBLE_WORDS[s('trouble') as Trouble]}.`,
    rest: `${s('species')} carries it over to the next crop; this bed has it.`,
  }),
  'helps-against': ({ s }) => ({
    lead: `Starves ${TROUBLE_WORDS[s('trouble') as Trouble]}.`,
    rest: 'Known to lower it where it is grown thick and ended on time; it does not cure it.',
  }),
  shaded: ({ s }) => ({ lead: 'Too shady.', rest: `${s('species')} stays thin without open sky.` }),
  restricted: ({ s }) => ({
    lead: 'Ask locally first.',
    rest: `${s('species')} is listed as a weed, or unwelcome near seed crops, in some places. Never let it seed there.`,
  }),
  'frost-may-spare': ({ n }) => ({
    lead: 'Frost may spare it.',
    rest: `Alive at planting in ${of100(n('odds'))}; keep a second way ready.`,
  }),
};

/** A reason as a bold start and a sentence, both made from its numbers. */
export function reasonWords({ code, facts }: Reason, units: UnitChoice): Words {
  const s = (fact: string) => String(facts[fact] ?? '');
  return WORDS[code]({
    n: (fact) => Number(facts[fact]),
    s,
    way: METHOD_SHORT[s('method')] ?? s('method'),
    degrees: (c) => showTemperature(c, units),
    units,
  });
}
