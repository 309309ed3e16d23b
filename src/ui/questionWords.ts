import { speciesOf } from '../catalogue/catalogue.ts';
import { type Question } from '../core/rounds/question.ts';
import { type WalkNote } from '../core/rounds/way.ts';
import { showRain, showTemperature, type UnitChoice } from '../core/units/show.ts';
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
    case 'frame':
      return `How many ${name} stand in a frame?`;
    case 'washed':
      return 'Has rain moved the seed?';
    case 'edges':
      return 'Edges, pipes, corners: anything green?';
    case 'pests':
      return 'What lives in it?';
    case 'soil':
      return 'A spade into the soil';
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
    case 'stand':
      return `sown ${why.sownDays} days ago: a count says how much came up, and thin places can still be sown`;
    case 'rain':
      return `${showRain(why.mm, units)} in two days up to ${showDay(why.day)}`;
    case 'surge':
      return `it grows ${why.times.toFixed(1)} times as heavy within three weeks`;
    case 'edges':
      return `${(PASS_WORDS[why.pass]?.title ?? why.pass).toLowerCase()} on ${showDay(why.day)}: edges are missed first`;
    case 'seedlings':
      return `sown ${why.sownDays} days ago: small plants are eaten now`;
    case 'before-crop':
      return `planting on ${showDay(why.plant)}: what lives in the cover moves into the crop`;
    case 'yearly':
      return why.last === undefined
        ? 'once a year, the same way each time; never looked at yet'
        : `once a year, the same way each time; last ${showDay(why.last)}`;
    case 'regular':
      return why.last === undefined ? 'never looked at yet' : `last look ${showDay(why.last)}`;
  }
}

/** What the day's light and weather do to the walk. */
export function walkNoteWords(note: WalkNote, units: UnitChoice): string {
  switch (note.is) {
    case 'frozen':
      return `${showTemperature(note.low_c, units)} this morning: frozen leaves look dead. Whether something lives is asked last; go once it has thawed.`;
    case 'wet':
      return `${showRain(note.mm, units)} of rain today: wet leaves shine in pictures and wet soil smears. Later today, once the leaves are dry, is better.`;
    case 'rain-ahead':
      return `${showRain(note.mm, units)} of rain may come tomorrow: today is the better day for the walk.`;
    case 'short-day':
      return `Light for ${Math.round(note.light_h)} hours only: go before the evening.`;
  }
}
