import { readFileSync } from 'node:fs';
import jpeg from 'jpeg-js';
import { PNG } from 'pngjs';
import { dayOf, isoOf } from '../../src/core/calendar/day.ts';
import { type Picture, readCover } from '../../src/core/look/photo.ts';
import { type Question } from '../../src/core/rounds/question.ts';
import { roundsOf } from '../../src/core/rounds/rounds.ts';
import { walkMinutes } from '../../src/core/rounds/way.ts';
import { roundCovers, wayToday } from '../../src/questions/rounds.ts';
import { gardenFrom, todayOf, type Typed, yearsOf } from '../args.ts';

/** `rounds FILE`: the walk past the beds today, with each question, why it is asked and what it settles. */
export function rounds(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const today = todayOf(typed, c);
  const covers = roundCovers(c, today, typed.get('years') ? yearsOf(typed) : undefined);
  const due = roundsOf(covers, dayOf(today)).flatMap((b) =>
    b.questions.map((question) => ({ coverId: b.coverId, bedId: b.bedId, question })),
  );
  const way = wayToday(due, c, today);
  // Questions of one bed that follow each other are asked in one stop.
  const stops: (typeof due)[] = [];
  for (const s of way.order)
    if (stops.at(-1)?.[0]!.coverId === s.coverId) stops.at(-1)!.push(s);
    else stops.push([s]);
  return {
    today,
    minutes: walkMinutes(due, way.length_m),
    ...(way.length_m === undefined ? {} : { walk_m: Math.round(way.length_m) }),
    ...(way.notes.length > 0 ? { day: way.notes } : {}),
    walk: stops.map((stop) => ({
      bed: c.beds.find((x) => x.id === stop[0]!.bedId)!.name,
      cover: stop[0]!.coverId,
      questions: stop.map(({ question: q }) => ({
        ask: q.kind,
        ...(q.speciesId ? { of: q.speciesId } : {}),
        ...whyOf(q),
      })),
    })),
  };
}

function whyOf({ why }: Question): object {
  const day = (d: number) => (Number.isFinite(d) ? isoOf(Math.round(d)) : 'never');
  switch (why.is) {
    case 'worth':
      return {
        because: 'worth',
        settles: {
          method: why.method,
          bestDayWide_d: [why.worth.widthNow_d, why.worth.widthAfter_d],
          gain: why.worth.gain,
        },
      };
    case 'clock':
      return { because: 'emergence', settles: { sownDaysAgo: why.sownDays, dueOnDay: why.at } };
    case 'frost':
      return {
        because: 'hard frost',
        settles: { night: day(why.day), low_c: why.low_c, bears_c: why.bears_c },
      };
    case 'after-pass':
      return { because: `after ${why.pass}`, settles: { done: day(why.day), sure: day(why.sure) } };
    case 'under-sheet':
      return {
        because: 'under the sheet',
        settles: { laid: day(why.laid), dead: [day(why.from), day(why.done)] },
      };
    case 'seed-near':
      return { because: 'seed is near', settles: { firstSeed: day(why.early) } };
    case 'mulch':
      return { because: 'mulch thins', settles: { dead: day(why.dead) } };
    case 'stand':
      return { because: 'stand count', settles: { sownDaysAgo: why.sownDays } };
    case 'rain':
      return { because: 'heavy rain', settles: { mm: why.mm, until: day(why.day) } };
    case 'surge':
      return { because: 'surge in spring', settles: { timesInThreeWeeks: why.times } };
    case 'edges':
      return { because: `edges after ${why.pass}`, settles: { done: day(why.day) } };
    case 'seedlings':
      return { because: 'seedlings are eaten', settles: { sownDaysAgo: why.sownDays } };
    case 'before-crop':
      return { because: 'pests before the crop', settles: { plant: day(why.plant) } };
    case 'yearly':
      return {
        because: 'soil once a year',
        settles: { last: why.last === undefined ? 'none yet' : day(why.last) },
      };
    case 'regular':
      return {
        because: 'a look is due',
        settles: { last: why.last === undefined ? 'none yet' : day(why.last) },
      };
  }
}

/** `cover PICTURE`: ground cover read from a PNG or JPEG taken straight down. */
export function cover(typed: Typed): object {
  const path = typed.at[0];
  if (!path) throw new Error('cover: name a picture, PNG or JPEG');
  const { green, straw, soil, error, shadow, glare, line } = readCover(pictureFrom(path));
  return { green, straw, soil, error, shadow, glare, line };
}

function pictureFrom(path: string): Picture {
  let bytes: Buffer;
  try {
    bytes = readFileSync(path);
  } catch {
    throw new Error(`cover: ${path} cannot be read`);
  }
  try {
    if (bytes[0] === 0x89 && bytes[1] === 0x50) return PNG.sync.read(bytes);
    if (bytes[0] === 0xff && bytes[1] === 0xd8)
      return jpeg.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 512 });
  } catch (error) {
    throw new Error(`cover: ${path} is damaged`, { cause: error });
  }
  throw new Error(`cover: ${path} is neither PNG nor JPEG`);
}
