import { coverTitle } from '../catalogue/catalogue.ts';
import type { Reported } from '../records/types.ts';
import { showIso, showIsoYear } from '../ui/dates.ts';
import { METHOD_SHORT } from '../ui/methodWords.ts';

/** Where another garden lies, as far as it told. */
export const bandWords = (latitude_deg: number): string =>
  latitude_deg === 0
    ? 'near the equator'
    : `about ${Math.abs(latitude_deg)}° ${latitude_deg < 0 ? 'south' : 'north'}`;

/** What came of a cover in another garden, in a sentence. */
export function reportedWords(c: Reported['covers'][number]): string {
  const name = coverTitle({ parts: c.parts, called: '' });
  const way = METHOD_SHORT[c.method] ?? c.method;
  const dead = c.deadOn ? `dead ${showIsoYear(c.deadOn)}` : 'not seen dead';
  const { foretold } = c;
  const [low, high] = [foretold?.low, foretold?.high].map((on) => on && showIso(on));
  const said = low && high ? `, foretold ${low === high ? low : `${low} to ${high}`}` : '';
  return `${name}, sown ${showIsoYear(c.sownOn)}, by ${way}: ${dead}${said}.`;
}
