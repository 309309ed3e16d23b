import { speciesOf } from '../catalogue/catalogue.ts';
import { type Question } from '../core/rounds/rounds.ts';
import { showTemperature, type UnitChoice } from '../core/units/show.ts';
import { showDay, showSpan } from './dates.ts';
import { METHOD_SHORT, PASS_WORDS } from './methodWords.ts';

/** The question of a card, in a few large words. */
export function questionTitle(q: Pick<Question, 'kind' | 'speciesId'>): string {
  const name = q.speciesId ? speciesOf(q.speciesId).name.toLowerCase() : 'cover';
  switch (q.kind) {
    case 'stage':
      return `How far is the ${name}?`;
    case 'cover':
      return 'How much is covered?';
    case 'height':
      return 'How tall does it stand?';
    case 'weeds':
      return 'Weeds under it?';
    case 'alive':
      return `Does the ${name} live?`;
    case 'emergence':
      return 'Has it come up?';
    case 'crowns':
      return 'Is it coming back?';
    case 'peek':
      return 'Lift a corner: anything firm?';
    case 'seed':
      return 'Any dark seed yet?';
    case 'gaps':
      return 'Gaps in the mulch?';
  }
}

/** Why it is asked, and what it settles. */
export function questionWhy({ why }: Question, units: UnitChoice): string {
  switch (why.is) {
    case 'worth': {
      const { widthNow_d, widthAfter_d } = why.worth;
      const way = why.method ? `the day to ${METHOD_SHORT[why.method] ?? 'end it'}` : 'cut or wait';
      return widthNow_d - widthAfter_d >= 1
        ? `settles ${way}: now ${Math.round(widthNow_d)} days wide, then about ${Math.round(widthAfter_d)}`
        : `settles ${way}`;
    }
    case 'clock':
      return `sown ${why.sownDays} days ago: what is missing now can still be sown again`;
    case 'frost':
      return `${showTemperature(why.low_c, units)} on ${showDay(why.day)}; it bears about ${showTemperature(why.bears_c, units)}`;
    case 'after-pass':
      return `${(PASS_WORDS[why.pass]?.title ?? why.pass).toLowerCase()} on ${showDay(why.day)}; sure about ${showDay(why.sure)}`;
    case 'under-sheet':
      return `laid ${showDay(why.laid)}; dead ${showSpan(why.from, why.done)}`;
    case 'seed-near':
      return `first seed may ripen about ${showDay(why.early)}`;
    case 'mulch':
      return `dead since ${showDay(why.dead)}: where it thins weeds come through`;
    case 'regular':
      return why.last === undefined ? 'never looked at yet' : `last look ${showDay(why.last)}`;
  }
}
