import { type Reason } from '../../core/choose/reasons.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';
import { type Trouble } from '../../core/choose/troubles.ts';
import { TROUBLE_WORDS } from '../../ui/troubleWords.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';

/** A reason as a bold start and a sentence, both made from its numbers. */
export function reasonWords(r: Reason, units: UnitChoice): { lead: string; rest: string } {
  const n = (k: string) => Number(r.facts[k]);
  const s = (k: string) => String(r.facts[k] ?? '');
  const of100 = (x: number) => `${Math.round(x * 100)} years of 100`;
  const way = METHOD_SHORT[s('method')] ?? s('method');
  const gone = (share: number) => `${Math.round(share * 100)} %`;
  switch (r.code) {
    case 'feeds':
      return {
        lead: `Feeds the ${s('crop').toLowerCase()}.`,
        rest: `${showPerArea(n('nitrogen'), units)} of nitrogen in its first ten weeks (${showPerArea(n('low'), units)} to ${showPerArea(n('high'), units)}), ${gone(n('nitrogen') / n('need'))} of its need.`,
      };
    case 'covered-early':
      return {
        lead: 'Closes the ground early.',
        rest: `Four fifths covered before hard frost or within 60 days in ${of100(n('odds'))}; middle year ${showDay(n('day'))}.`,
      };
    case 'in-time':
      return {
        lead: `Over in time (${way}).`,
        rest: `Begun ${showDay(n('start'))}${n('lies') > 5 ? `, ${Math.round(n('lies'))} days until it is dead` : ''}; out of the way by ${showDay(n('plantDay'))} in ${of100(n('odds'))}.`,
      };
    case 'frost-ends-it':
      return {
        lead: 'Frost ends it for you.',
        rest: `Dead and mellow by planting in ${of100(n('odds'))}. Keep a second way ready all the same.`,
      };
    case 'holds-weeds':
      return {
        lead: 'Holds weeds down.',
        rest: `${gone(n('share'))} of the warmth that weeds would use never reaches them.`,
      };
    case 'flowers':
      return {
        lead: 'Feeds bees.',
        rest: `${Math.round(n('days'))} days in flower before it is ended. Cut at dusk or in portions.`,
      };
    case 'mulch':
      return {
        lead: 'Leaves mulch.',
        rest: `${showPerArea(n('residue'), units)} of residue still lies there on planting day.`,
      };
    case 'late':
      return {
        lead: 'Not out of the way in time.',
        rest:
          Number.isFinite(n('late')) && n('late') > 0
            ? `Ready about ${showDay(n('ready'))}, ${Math.round(n('late'))} days after planting day, by its best way (${way}).`
            : `Ready by planting day in only ${of100(n('odds'))} by its best way (${way}).`,
      };
    case 'no-kit':
      return {
        lead: 'No way to end it.',
        rest: 'Every way of ending needs a tool that is not at hand. Mark tools under Ground.',
      };
    case 'crimp-too-early':
      return {
        lead: 'Too early to crimp.',
        rest: `It flowers about ${showDay(n('day'))}, ${n('late') > 0 ? `${Math.round(n('late'))} days after` : `only ${Math.round(-n('late'))} days before`} planting day.`,
      };
    case 'method-fails':
      return {
        lead: 'Hard to kill here.',
        rest: `The best way at hand (${way}) leaves ${gone(n('surviving'))} of the plants alive on average; dead in time in ${of100(n('odds'))}.`,
      };
    case 'ties-up-nitrogen':
      return {
        lead: 'Ties nitrogen up.',
        rest: `Takes about ${showPerArea(n('nitrogen'), units)} from the crop at first (C:N ${Math.round(n('cn'))}). Feed the crop or let it lie longer.`,
      };
    case 'same-family':
      return {
        lead: 'Same family as what follows.',
        rest: `${s('species')} and ${s('crop').toLowerCase()} are both ${s('family')} and share pests and diseases.`,
      };
    case 'family-before':
      return {
        lead: 'Same family as before.',
        rest: `${s('species')} is ${s('family')}, like a crop this bed bore lately.`,
      };
    case 'small-seed-waits':
      return {
        lead: 'Small seed must wait.',
        rest: `${s('species')} residue holds small seed back for about ${n('days')} warm days; transplants mind it little.`,
      };
    case 'hazard':
      return { lead: `Caution: ${s('species').toLowerCase()}.`, rest: s('text') };
    case 'thin-stand':
      return { lead: 'Often a thin stand.', rest: `Covers half the ground in only ${of100(n('odds'))}.` };
    case 'sets-seed':
      return { lead: 'May set seed.', rest: `Ripe seed before it is ended in ${of100(n('odds'))}.` };
    case 'trouble':
      return {
        lead: `Feeds ${TROUBLE_WORDS[s('trouble') as Trouble]}.`,
        rest: `${s('species')} carries it over to the next crop; this bed has it.`,
      };
    case 'helps-against':
      return {
        lead: `Starves ${TROUBLE_WORDS[s('trouble') as Trouble]}.`,
        rest: 'Known to lower it where it is grown thick and ended on time; it does not cure it.',
      };
    case 'shaded':
      return { lead: 'Too shady.', rest: `${s('species')} stays thin without open sky.` };
    case 'restricted':
      return {
        lead: 'Ask locally first.',
        rest: `${s('species')} is listed as a weed, or unwelcome near seed crops, in some places. Never let it seed there.`,
      };
    case 'frost-may-spare':
      return {
        lead: 'Frost may spare it.',
        rest: `Alive at planting in ${of100(n('odds'))}; keep a second way ready.`,
      };
  }
}
