import { type AimStrands } from '../../core/aims/aims.ts';
import { keptWorth } from '../../core/plan/endings.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { type Day } from '../../core/calendar/day.ts';
import { takeApart } from '../../core/termination/method.ts';
import { showDay } from '../../ui/dates.ts';
import { type Hung } from './useHung.ts';
import { AIM_FIGURES } from '../../ui/aimFigures.ts';

/** Differences smaller than these are not worth a word: of an aim that is served, and of odds. */
const SPEAKS = 0.04;
const ODDS_SPEAK = 0.05;
/** Days that make no difference to the best day. */
const SAME_D = 3;

/** What a way gives up against the best, in a few words: the aim that loses most, or the odds, or minutes. */
export function giveUpWords(
  e: EndingAnswer,
  best: EndingAnswer,
  aims: readonly AimStrands[],
  units: UnitChoice,
  minutes: (e: EndingAnswer) => number,
): string {
  if (e.method === best.method && Math.abs(e.startDay - best.startDay) <= SAME_D) return 'best for your aims';
  const lost = aims
    .filter((a) => AIM_FIGURES[a.id])
    .map((a) => ({ a, by: a.strands * ((best.serves[a.id] ?? 0) - (e.serves[a.id] ?? 0)) }))
    .sort((x, y) => y.by - x.by)[0];
  const odds = best.odds.inTime - e.odds.inTime;
  if (odds > ODDS_SPEAK && odds > (lost?.by ?? 0))
    return `less sure by ${Math.round(odds * 100)} years of 100`;
  if (lost && lost.by > SPEAKS) {
    const f = AIM_FIGURES[lost.a.id]!;
    const by = f.of(best).mid - f.of(e).mid;
    return `gives up ${f.show(Math.abs(by), units)} ${f.name}`;
  }
  const more = minutes(e) - minutes(best);
  if (more > 10) return `${Math.round(more)} min more work`;
  // Served alike, sure alike: what is left is bare ground for longer, or work of a few minutes.
  return keptWorth(e, [...aims]) >= keptWorth(best, [...aims]) - 0.01 ? 'as good' : 'the ground idle longer';
}

/** Why a way fails in most years, in a few words; empty where it does not. */
export function whyNotWords({ ending: e, method }: Pick<Hung, 'ending' | 'method'>, plantDay: Day): string {
  if (e.odds.inTime >= 0.5) return '';
  const { waits } = takeApart(method);
  if (waits === 'heat') return 'heat does not end it';
  if (waits === 'seed') return 'does not ripen in time';
  if (waits === 'frost') return 'frost does not end it';
  if (e.surviving > LIVES_ON) return `${Math.round(e.surviving * 100)} of 100 plants would live`;
  if (e.odds.noSeed < 0.5) return 'sheds seed by then';
  return Number.isFinite(e.ready.mid) && e.ready.mid > plantDay
    ? `too late: ready ${showDay(e.ready.mid)}`
    : 'too late in most years';
}
const LIVES_ON = 0.1;
