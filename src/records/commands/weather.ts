import { ok } from '../../core/result/result.ts';
import { type ObservedDay } from '../../core/weather/generate.ts';
import { mergedYears } from '../files/weatherCsv.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';

/** Puts measured or forecast days into the garden's weather; a day that is there already is given anew, and undo puts it back. */
export const addWeather = (hands: Hands, gardenId: string, days: ObservedDay[]): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'save-weather', 'days of weather'), async () => {
    const known = await hands.db.weather.where({ gardenId }).toArray();
    return ok(mergedYears(known, gardenId, days).map((put): Wish => ({ table: 'weather', put })));
  });
