import { isIsoDate } from '../core/calendar/day.ts';
import { type Failure } from '../core/result/result.ts';
import { showIsoYear } from './dates.ts';

/** What a failure tells, as its sentence takes it. */
interface Told {
  /** A fact in words; days are shown one way everywhere. */
  v(fact: string): string;
  where: string | undefined;
  /** The place in brackets, where one is known. */
  at: string;
}

const rateUnreadable = ({ where }: Told): string =>
  `"${where}" cannot be read as a rate. Write for example 15 g/m², 120 lb/acre, 3 oz/100 ft² or 40 g per bed.`;
const lengthUnreadable = ({ where }: Told): string =>
  `"${where}" cannot be read as a size. Write width x length, for example 1.2 m x 8 m, or 4 ft 6 in x 20 ft.`;
const massUnreadable = ({ where }: Told): string =>
  `"${where}" cannot be read as a weight. Write for example 100 g, 4 oz or 1/4 lb.`;
const geojsonUnreadable = ({ at }: Told): string =>
  `The file is no GeoJSON of bed outlines${at}. Export polygons as a FeatureCollection and try again; no bed was added.`;
const fileNotJson = (): string =>
  'This is not a Kilim garden file. Choose the .json file that Kilim exported. Nothing was changed.';

/** One sentence or two for every failure the core and the records can return. */
const WORDS: Record<Failure['code'], (told: Told) => string> = {
  'storage-full': () =>
    'The browser has no room left for this garden. Nothing saved was touched. Export the garden under Keep, free some space, then save again.',
  'storage-blocked': () =>
    'Another tab holds the garden open with an older Kilim. Close the other tabs: this one goes on by itself, and nothing is lost.',
  'storage-outdated': () =>
    'A newer Kilim has opened this garden in another tab. Nothing saved was touched. Note down what you have just typed, then reload this page to go on.',
  'storage-closed': () =>
    'The browser broke off before this was saved. What was saved before is safe, and what you typed is still here: try again, or reload the page if it happens twice.',
  'storage-failed': ({ v }) =>
    `The browser refused to save (${v('words')}). What was saved before is safe. Try again, or export the garden under Keep.`,
  'record-invalid': ({ v, where }) =>
    `This could not be saved: ${where} is not right (${v('problem')}). Correct it and save again.`,
  'dates-out-of-order': ({ v, where }) =>
    `The dates are out of order: ${where} (${v('first')}, then ${v('second')}). Put the second date on or after the first.`,
  'date-missing': ({ where }) =>
    `The date for ${where} is missing or no real day. Pick a day from the calendar.`,
  'crops-overlap': ({ v, where }) =>
    `${where} stands on this bed from ${v('from')} to ${v('to')}. Move one of the dates so that they do not overlap.`,
  'covers-overlap': ({ v, where }) =>
    `${where} is on this bed from ${v('from')}. Finish or remove it first, or choose later dates.`,
  'lot-gone': () =>
    'This seed has been taken off the shelf, perhaps in another tab. Undo there brings it back.',
  'recipe-gone': () => 'This mix has been taken away, perhaps in another tab. Undo there brings it back.',
  'cover-gone': () =>
    'This cover has been taken out of the garden, perhaps in another tab. Undo there brings it back.',
  'garden-gone': () =>
    'This garden has been wiped from this browser, perhaps in another tab. Its file brings it back, under Keep.',
  'thing-gone': () =>
    'What you moved was taken out of the bed meanwhile, perhaps in another tab. Nothing was saved; look at the bed again.',
  'bed-gone': () => 'This bed has been taken away, perhaps in another tab. Undo there brings it back.',
  'bed-cut': ({ where }) =>
    `Bed ${where} is cut into pieces then. Go by its pieces, or make it whole again first.`,
  'piece-ends': ({ v, where }) =>
    `${where} is part of its bed again from ${v('until')}. Choose earlier dates, or put this on the whole bed.`,
  'piece-in-use': ({ v, where }) =>
    `Bed ${where} still has ${v('what')} on it then. End that or take it away first, or make the bed whole on a later day.`,
  'pieces-few': ({ v }) =>
    `A bed is cut into two to ${v('most')} pieces, each with a size, and something is grown on one of them at least.`,
  'story-none': () =>
    'This page holds no season that Kilim can read. Ask for the page that Kilim saved, not a print or a copy of its text.',
  'story-damaged': ({ where }) =>
    `The season in this page is damaged at ${where}. Nothing was read; ask for the page anew.`,
  'story-twice': ({ where }) =>
    `"${where}" has been read already. Put that one away first if this is a newer one.`,
  'entry-gone': () => 'This entry has been taken away, perhaps in another tab. Undo there brings it back.',
  'planting-gone': () =>
    'This crop has been taken out of the plan, perhaps in another tab. Undo there brings it back.',
  'planting-done': () => 'This crop is planted already. Plan another for afterwards under the bed.',
  'ending-begun': () =>
    'The ending of this cover has begun meanwhile, so its plan is not changed. Nothing was saved; look at Shared things again.',
  'pass-gone': () =>
    'This step is no longer in the plan, perhaps it was changed in another tab. Look at the plan again and log the step that is there.',
  'lot-short': ({ v, where }) =>
    `The lot ${where} holds ${Math.round(Number(v('left_g')) * 10) / 10} g, less than the ${Math.round(Number(v('used_g')) * 10) / 10} g used. Correct what is left on the shelf first, or what was used.`,
  'number-unreadable': ({ where }) => `"${where}" is no number. Write it in figures, for example 4 or 2,5.`,
  'number-range': ({ v, where }) =>
    `${where} is outside what can be: ${v('least')} to ${v('most')}. Check the figure.`,
  'rate-unreadable': rateUnreadable,
  'rate-unit': rateUnreadable,
  'rate-wants-bed': ({ where }) =>
    `"${where}" goes by the bed, and no bed is chosen here. Write for how much ground it is, for example 40 g for 8 m².`,
  'rate-wants-packet': ({ where }) =>
    `"${where}" goes by the packet, and what a packet weighs is not known here. Enter its weight first, or write the rate by weight.`,
  'rate-range': ({ v, where }) =>
    `"${where}" comes to ${Number(v('g_m2')).toFixed(1)} g/m², which nobody sows. Check the unit.`,
  'service-away': () =>
    'The weather service does not answer. The verdict rests on this site’s climate and on what was measured; nothing else is missing.',
  'look-before-sowing': () => 'There is nothing to look at before the day of sowing. Pick a later day.',
  'look-empty': () => 'Nothing was entered. Say at least one thing that you saw.',
  'length-unit': ({ where }) => `"${where}" has no unit. Write for example 1.2 m or 4 ft.`,
  'length-unreadable': lengthUnreadable,
  'size-unreadable': lengthUnreadable,
  'mass-unreadable': massUnreadable,
  'mass-range': massUnreadable,
  'trial-gone': () => 'This trial is no longer in the garden; it may have been taken away in another window.',
  'turn-unreadable': ({ where }) => `"${where}" is no turn. Write degrees from -360 to 360.`,
  'share-unreadable': ({ where }) =>
    `"${where}" is no share. Write the per cent that is printed, or leave it empty.`,
  'rate-wants-weight': ({ where }) =>
    `To sow ${where} with one packet, Kilim must know what is in it. Write the weight too.`,
  'gap-length': ({ v }) =>
    `From the day the bed is empty to planting must be ${v('least')} to ${v('most')} days. Move one of the two.`,
  'size-one-side': ({ where }) =>
    `"${where}" is one side. How wide is the bed? Write both, for example 4 ft x 30 ft, or an area, for example 6 m².`,
  'area-range': ({ v, where }) =>
    `"${where}" comes to ${Number(v('m2').toString()).toLocaleString('en-GB')} m². A bed has between a hundredth of a square metre and ten hectares; check the unit.`,
  'length-range': ({ v, where }) =>
    `"${where}" comes to ${Number(v('metres')).toFixed(2)} m. A side of a bed is between ${v('least')} and ${v('most')} m; check the unit.`,
  'bed-name': ({ where }) => `The bed in ${where} has no name. No bed was added; give each bed a name.`,
  'bed-name-long': ({ v, where }) =>
    `A name in ${where} is longer than ${v('most')} letters. No bed was added; shorten it.`,
  'bed-twice': ({ v, where }) =>
    v('name') === ''
      ? 'A bed has no name. Give each its own.'
      : `The name "${v('name')}" in ${where} is there twice. No bed was added; make names different.`,
  'bed-area': ({ v, where }) =>
    `The shape in ${where} covers ${v('m2')} m². That is no bed; check the coordinates.`,
  'beds-too-many': ({ v }) => `The file holds ${v('rows')} beds; ${v('most')} at a time is the most.`,
  'geojson-unreadable': geojsonUnreadable,
  'geojson-no-features': geojsonUnreadable,
  'geojson-shape': geojsonUnreadable,
  'csv-empty': () => 'The file has no rows under its header line. Check that it is saved as CSV.',
  'csv-too-long': ({ v }) =>
    `The file has ${v('rows')} rows; the most is ${v('most')}. Cut it to the last thirty years.`,
  'weather-columns': () => 'Say which column holds the low, the high and the rain.',
  'weather-no-days': ({ v }) =>
    `None of the ${v('rows')} rows could be read as a day. Check the date column and its order.`,
  'weather-short': ({ v }) =>
    `The file has ${v('days')} usable days; at least ${v('least')} are needed to know a year. Add more, or answer the four questions instead.`,
  'weather-month-missing': ({ v }) =>
    `Month ${v('month')} has only ${v('days')} days in the file; each month needs fifteen. Add them, or answer the four questions instead.`,
  'weather-swapped': ({ v }) =>
    `On ${v('days')} days the night is warmer than the afternoon. The two temperature columns look swapped; choose them the other way round.`,
  'frost-order': () =>
    'These frost dates cannot be right for this latitude: the frost-free time must lie in the warm half of the year. Check the two dates and the sign of the latitude (south is minus).',
  'place-missing': () => 'Choose the nearest town from the list, or tell the climate another way.',
  'latitude-range': () => 'The latitude must be between -66 and 66 degrees; south is minus.',
  'site-range': () =>
    'A usual summer afternoon must be at least 4 degrees warmer than the coldest night. Check both.',
  'normals-missing': ({ v }) =>
    `A figure of month ${v('month')} is missing or no number. All three rows need twelve.`,
  'normals-range': ({ v }) =>
    `A figure of month ${v('month')} cannot be right. Check its unit: degrees and millimetres, or °F and inches where that is ticked.`,
  'normals-swapped': ({ v }) =>
    `In month ${v('month')} the lowest is not below the highest. Were the two rows swapped?`,
  'normals-coldest': () =>
    'The coldest night must be colder than the mean lowest of the coldest month. Correct it or leave it empty.',
  'file-not-json': fileNotJson,
  'file-not-garden': fileNotJson,
  'file-version': ({ v }) =>
    `The file does not say which form it is of (${v('version')} is no counting number). Nothing was changed; choose a file that Kilim exported.`,
  'file-unreadable': () =>
    'The browser could not read this file, perhaps it was moved or the medium was taken out. Nothing was changed; choose it again.',
  'file-newer': ({ v }) =>
    `This file was made by a newer Kilim (form ${v('version')}, known here ${v('known')}). Update Kilim first. Nothing was changed.`,
  'file-too-large': ({ v }) =>
    `This file is larger than anything that belongs here (${Math.ceil(Number(v('bytes')) / 1e6)} MB, at most ${Math.floor(Number(v('most')) / 1e6)} MB). It was not read, and nothing was changed.`,
  'file-invalid': ({ v, where }) =>
    `The file is damaged at ${where}: ${v('problem')}. Nothing was changed; try an earlier copy.`,
  'file-part': ({ v }) =>
    `This file holds only what is newer than ${v('since')} in ${v('garden')}. It can be made one with the whole garden and not stand for it: bring in the whole garden first.`,
  'file-broken-link': ({ where }) =>
    `The file is damaged: ${where} belongs to no bed in it. Nothing was changed; try an earlier copy.`,
  'kind-unknown': ({ where }) =>
    `${where}: this Kilim does not know that kind. It is kept as it is, and nothing can be worked out for it; a newer Kilim may know it.`,
  'worker-lost': () =>
    'The part that works things out did not start, perhaps after an update or without a network on the first visit. Nothing saved was touched. Reload the page.',
  'core-failed': ({ v }) =>
    `This could not be worked out (${v('words')}). Nothing saved was touched. Change a date or the cover and try again; if it stays, export the garden under Keep and report it.`,
  'nothing-to-undo': () => 'There is nothing left to undo.',
  'nothing-to-redo': () => 'There is nothing to do again.',
  // What a gardener has called off is told to nobody.
  cancelled: ({ at }) =>
    `Something went wrong (cancelled${at}). Nothing saved was touched. Reload the page and try again.`,
};

/** What went wrong, where, and what to do. */
export function failureWords({ code, where, facts }: Failure): string {
  const v = (fact: string) =>
    String(facts?.[fact] ?? '').replace(/\b\d{4}-\d{2}-\d{2}\b/g, (iso) =>
      isIsoDate(iso) ? showIsoYear(iso) : iso,
    );
  return WORDS[code]({ v, where, at: where ? ` (${where})` : '' });
}
