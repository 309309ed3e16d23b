import { flowersBy_d, type Shift, type Trait } from '../core/stand/shift.ts';
import { type UnitChoice } from '../core/units/show.ts';

const percent = (meanLog: number): number => Math.round((Math.exp(meanLog) - 1) * 100);
/** Under these nothing is said: a day, three in a hundred, a third of a degree. */
const SAID = { days: 1, percent: 3, degrees: 0.3 } as const;

/** How far a trait lies from the book, in a gardener's words; empty where it lies as the book has it. @param flower_cd thermal time to flowering of the kind */
export function traitWords(trait: Trait, mean: number, flower_cd: number, units: UnitChoice): string {
  switch (trait) {
    case 'stageRate': {
      const days = Math.round(flowersBy_d(mean, flower_cd));
      return Math.abs(days) < SAID.days
        ? ''
        : `flowers ${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days < 0 ? 'before' : 'after'} the book`;
    }
    case 'growth': {
      const p = percent(mean);
      return Math.abs(p) < SAID.percent
        ? ''
        : `grows ${Math.abs(p)} % ${p > 0 ? 'more' : 'less'} than the book`;
    }
    case 'emergence': {
      const p = percent(mean);
      return Math.abs(p) < SAID.percent
        ? ''
        : `comes up ${Math.abs(p)} % ${p > 0 ? 'thicker' : 'thinner'} than the book`;
    }
    case 'hardiness_c': {
      if (Math.abs(mean) < SAID.degrees) return '';
      const by =
        units.temperature === 'fahrenheit'
          ? `${Math.abs(mean * 1.8).toFixed(1)} °F`
          : `${Math.abs(mean).toFixed(1)} °C`;
      return `bears ${by} ${mean > 0 ? 'less' : 'more'} cold than the book`;
    }
  }
}

export const TRAIT_NAMES: Record<Trait, string> = {
  stageRate: 'Flowering',
  growth: 'Growth',
  emergence: 'Coming up',
  hardiness_c: 'Cold',
};

/** What moves an answer, in one line; empty where nothing does. */
export const shiftWords = (shift: Shift | undefined, flower_cd: number, units: UnitChoice): string => {
  if (!shift) return '';
  const said = (['stageRate', 'growth', 'emergence', 'hardiness_c'] as const)
    .map((t) => traitWords(t, shift[t].mean, flower_cd, units))
    .filter(Boolean);
  return said.length > 0 ? `By what this garden has shown it ${said.join(', ')}.` : '';
};

/** Odds that move by less than this are not spoken of. */
const KILLS_SAID = 0.08;
/** What an ending that the book gives nine in ten comes to here; empty where it is as the book has it. @param times odds against the book's */
export function killWords(times: number | undefined): string {
  if (times === undefined || Math.abs(times - 1) < KILLS_SAID) return '';
  const here = Math.round((100 * 9 * times) / (1 + 9 * times));
  return here === 90 ? '' : `Where the book says 90 of 100 killed, this way came to ${here} here.`;
}
