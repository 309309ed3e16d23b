import { type Day } from '../calendar/day.ts';
import { type Member } from '../stand/species.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type ChooseInput } from './input.ts';
import { type Factor } from '../known/factor.ts';
import { type Reason } from './reason.ts';
import { type Sample } from './sample.ts';

type Draft = Omit<Sample, 'reasons'>;

/** Factors that speak for a cover; each is said once, of the first member it holds for. */
const SPEAKS_FOR = new Set<Factor['code']>(['helps-against', 'good-before', 'own-seed', 'bears-drought']);
/** A factor that costs more than this is worth a sentence. */
const SAYS_AGAINST = 0.96;

export function reasonsFor(draft: Draft, members: Member[], input: ChooseInput): Reason[] {
  const out: Reason[] = [];
  const say = (side: Reason['side'], code: Reason['code'], facts: Reason['facts'] = {}) =>
    out.push({ side, code, facts });
  const { best, stand } = draft;
  const { gap } = input;
  if (!best) say('against', 'no-kit');
  else aboutEnding(best, gap.plantDay, say);
  if (best && best.nitrogen_g_m2.mid >= 1)
    say('for', 'feeds', {
      nitrogen: best.nitrogen_g_m2.mid,
      low: best.nitrogen_g_m2.low,
      high: best.nitrogen_g_m2.high,
      need: gap.next.nitrogenNeed_g_m2,
      crop: gap.next.name,
    });
  if (best && best.nitrogen_g_m2.mid < -0.4)
    say('against', 'ties-up-nitrogen', { nitrogen: -best.nitrogen_g_m2.mid, cn: best.carbonToNitrogen });
  if (best && best.leaves_g_m2.mid >= 20)
    say('against', 'leaves-the-bed', { dm: best.leaves_g_m2.mid, nitrogen: best.leavesN_g_m2.mid });
  if (stand.closedBeforeFrost >= 0.6)
    say('for', 'covered-early', { odds: stand.closedBeforeFrost, day: stand.closed.mid });
  if (stand.stand < 0.6) say('against', 'thin-stand', { odds: stand.stand });
  if (stand.weedsHeld.mid >= 0.55) say('for', 'holds-weeds', { share: stand.weedsHeld.mid });
  if (stand.flowerDays.mid >= 7) say('for', 'flowers', { days: stand.flowerDays.mid });
  if (best && best.residue_g_m2.mid >= 250) say('for', 'mulch', { residue: best.residue_g_m2.mid });
  const presses = new Set(
    input.methods.filter((m) => m.passes.some((p) => p.kind === 'crimp')).map((m) => m.id),
  );
  const crimp = draft.endings.find((e) => presses.has(e.method));
  if (crimp && crimp.odds.inTime < 0.3) {
    const flower = Math.max(...stand.stages.map((s) => s.flower.mid));
    if (Number.isFinite(flower) && flower > gap.plantDay - 20)
      say('against', 'crimp-too-early', { day: flower, late: flower - gap.plantDay });
  }
  for (const f of draft.factors)
    if (f.times < SAYS_AGAINST || f.code === 'shaded') say('against', f.code, f.facts);
    else if (SPEAKS_FOR.has(f.code) && !out.some((r) => r.code === f.code)) say('for', f.code, f.facts);
  for (const m of members)
    if (m.species.mayBeRestricted) say('against', 'restricted', { species: m.species.name });
  for (const m of members)
    for (const h of input.hazards[m.species.id] ?? [])
      if (input.keepsSafe.some((who) => h.to.includes(who)))
        say('against', 'hazard', { species: m.species.name, to: h.to, text: h.text });
  return out;
}

function aboutEnding(
  best: EndingAnswer,
  plantDay: Day,
  say: (s: Reason['side'], c: Reason['code'], f?: Reason['facts']) => void,
): void {
  const odds = best.odds.inTime;
  const facts = {
    odds,
    warm: best.odds.warm,
    method: best.method,
    ready: best.ready.mid,
    plantDay,
    lies: best.lies_d,
    start: best.startDay,
  };
  if (best.method === 'winterkill') {
    if (odds >= 0.7) say('for', 'frost-ends-it', facts);
    else say('against', 'frost-may-spare', { odds: 1 - best.odds.dead });
  } else if (odds >= 0.7) say('for', 'in-time', facts);
  if (odds < 0.7 && best.odds.dead < 0.5)
    say('against', 'method-fails', { method: best.method, surviving: best.surviving, odds: best.odds.dead });
  else if (odds < 0.7) say('against', 'late', { ...facts, late: best.ready.mid - plantDay });
  if (best.odds.noSeed < 0.8) say('against', 'sets-seed', { odds: 1 - best.odds.noSeed });
}
