import { isIsoDate } from '../core/calendar/day.ts';
import { type Failure } from '../core/result/result.ts';
import { showIsoYear } from './dates.ts';

/** What went wrong, where, and what to do: one sentence or two for every failure the core and the records can return. */
export function failureWords(f: Failure): string {
  // Days are shown one way everywhere.
  const v = (k: string) =>
    String(f.facts?.[k] ?? '').replace(/\b\d{4}-\d{2}-\d{2}\b/g, (iso) =>
      isIsoDate(iso) ? showIsoYear(iso) : iso,
    );
  const at = f.where ? ` (${f.where})` : '';
  switch (f.code) {
    case 'storage-full':
      return 'The browser has no room left for this garden. Nothing saved was touched. Export the garden under Keep, free some space, then save again.';
    case 'storage-blocked':
      return 'Another tab holds the garden open with an older Kilim. Close the other tabs: this one goes on by itself, and nothing is lost.';
    case 'storage-outdated':
      return 'A newer Kilim has opened this garden in another tab. Nothing saved was touched. Note down what you have just typed, then reload this page to go on.';
    case 'storage-closed':
      return 'The browser broke off before this was saved. What was saved before is safe, and what you typed is still here: try again, or reload the page if it happens twice.';
    case 'storage-failed':
      return `The browser refused to save (${v('words')}). What was saved before is safe. Try again, or export the garden under Keep.`;
    case 'record-invalid':
      return `This could not be saved: ${f.where} is not right (${v('problem')}). Correct it and save again.`;
    case 'dates-out-of-order':
      return `The dates are out of order: ${f.where} (${v('first')}, then ${v('second')}). Put the second date on or after the first.`;
    case 'date-missing':
      return `The date for ${f.where} is missing or no real day. Pick a day from the calendar.`;
    case 'crops-overlap':
      return `${f.where} stands on this bed from ${v('from')} to ${v('to')}. Move one of the dates so that they do not overlap.`;
    case 'covers-overlap':
      return `${f.where} is on this bed from ${v('from')}. Finish or remove it first, or choose later dates.`;
    case 'lot-gone':
      return 'This seed has been taken off the shelf, perhaps in another tab. Undo there brings it back.';
    case 'recipe-gone':
      return 'This mix has been taken away, perhaps in another tab. Undo there brings it back.';
    case 'cover-gone':
      return 'This cover has been taken out of the garden, perhaps in another tab. Undo there brings it back.';
    case 'garden-gone':
      return 'This garden has been wiped from this browser, perhaps in another tab. Its file brings it back, under Keep.';
    case 'thing-gone':
      return 'What you moved was taken out of the bed meanwhile, perhaps in another tab. Nothing was saved; look at the bed again.';
    case 'bed-gone':
      return 'This bed has been taken away, perhaps in another tab. Undo there brings it back.';
    case 'bed-cut':
      return `Bed ${f.where} is cut into pieces then. Go by its pieces, or make it whole again first.`;
    case 'piece-ends':
      return `${f.where} is part of its bed again from ${v('until')}. Choose earlier dates, or put this on the whole bed.`;
    case 'piece-in-use':
      return `Bed ${f.where} still has ${v('what')} on it then. End that or take it away first, or make the bed whole on a later day.`;
    case 'pieces-few':
      return `A bed is cut into two to ${v('most')} pieces, each with a size, and something is grown on one of them at least.`;
    case 'story-none':
      return 'This page holds no season that Kilim can read. Ask for the page that Kilim saved, not a print or a copy of its text.';
    case 'story-damaged':
      return `The season in this page is damaged at ${f.where}. Nothing was read; ask for the page anew.`;
    case 'story-twice':
      return `"${f.where}" has been read already. Put that one away first if this is a newer one.`;
    case 'entry-gone':
      return 'This entry has been taken away, perhaps in another tab. Undo there brings it back.';
    case 'planting-gone':
      return 'This crop has been taken out of the plan, perhaps in another tab. Undo there brings it back.';
    case 'planting-done':
      return 'This crop is planted already. Plan another for afterwards under the bed.';
    case 'ending-begun':
      return 'The ending of this cover has begun meanwhile, so its plan is not changed. Nothing was saved; look at Shared things again.';
    case 'pass-gone':
      return 'This step is no longer in the plan, perhaps it was changed in another tab. Look at the plan again and log the step that is there.';
    case 'lot-short':
      return `The lot ${f.where} holds ${Math.round(Number(v('left_g')) * 10) / 10} g, less than the ${Math.round(Number(v('used_g')) * 10) / 10} g used. Correct what is left on the shelf first, or what was used.`;
    case 'number-unreadable':
      return `"${f.where}" is no number. Write it in figures, for example 4 or 2,5.`;
    case 'number-range':
      return `${f.where} is outside what can be: ${v('least')} to ${v('most')}. Check the figure.`;
    case 'rate-unreadable':
    case 'rate-unit':
      return `"${f.where}" cannot be read as a rate. Write for example 15 g/m², 120 lb/acre, 3 oz/100 ft² or 40 g per bed.`;
    case 'rate-wants-bed':
      return `"${f.where}" goes by the bed, and no bed is chosen here. Write for how much ground it is, for example 40 g for 8 m².`;
    case 'rate-wants-packet':
      return `"${f.where}" goes by the packet, and what a packet weighs is not known here. Enter its weight first, or write the rate by weight.`;
    case 'rate-range':
      return `"${f.where}" comes to ${Number(v('g_m2')).toFixed(1)} g/m², which nobody sows. Check the unit.`;
    case 'service-away':
      return 'The weather service does not answer. The verdict rests on this site’s climate and on what was measured; nothing else is missing.';
    case 'look-before-sowing':
      return 'There is nothing to look at before the day of sowing. Pick a later day.';
    case 'look-empty':
      return 'Nothing was entered. Say at least one thing that you saw.';
    case 'length-unit':
      return `"${f.where}" has no unit. Write for example 1.2 m or 4 ft.`;
    case 'length-unreadable':
    case 'size-unreadable':
      return `"${f.where}" cannot be read as a size. Write width x length, for example 1.2 m x 8 m, or 4 ft 6 in x 20 ft.`;
    case 'mass-unreadable':
    case 'mass-range':
      return `"${f.where}" cannot be read as a weight. Write for example 100 g, 4 oz or 1/4 lb.`;
    case 'trial-gone':
      return 'This trial is no longer in the garden; it may have been taken away in another window.';
    case 'turn-unreadable':
      return `"${f.where}" is no turn. Write degrees from -360 to 360.`;
    case 'share-unreadable':
      return `"${f.where}" is no share. Write the per cent that is printed, or leave it empty.`;
    case 'rate-wants-weight':
      return `To sow ${f.where} with one packet, Kilim must know what is in it. Write the weight too.`;
    case 'gap-length':
      return `From the day the bed is empty to planting must be ${v('least')} to ${v('most')} days. Move one of the two.`;
    case 'size-one-side':
      return `"${f.where}" is one side. How wide is the bed? Write both, for example 4 ft x 30 ft, or an area, for example 6 m².`;
    case 'area-range':
      return `"${f.where}" comes to ${Number(v('m2').toString()).toLocaleString('en-GB')} m². A bed has between a hundredth of a square metre and ten hectares; check the unit.`;
    case 'length-range':
      return `"${f.where}" comes to ${Number(v('metres')).toFixed(2)} m. A side of a bed is between ${v('least')} and ${v('most')} m; check the unit.`;
    case 'bed-name':
      return `The bed in ${f.where} has no name. No bed was added; give each bed a name.`;
    case 'bed-name-long':
      return `A name in ${f.where} is longer than ${v('most')} letters. No bed was added; shorten it.`;
    case 'bed-twice':
      return v('name') === ''
        ? 'A bed has no name. Give each its own.'
        : `The name "${v('name')}" in ${f.where} is there twice. No bed was added; make names different.`;
    case 'bed-area':
      return `The shape in ${f.where} covers ${v('m2')} m². That is no bed; check the coordinates.`;
    case 'beds-too-many':
      return `The file holds ${v('rows')} beds; ${v('most')} at a time is the most.`;
    case 'geojson-unreadable':
    case 'geojson-no-features':
    case 'geojson-shape':
      return `The file is no GeoJSON of bed outlines${at}. Export polygons as a FeatureCollection and try again; no bed was added.`;
    case 'csv-empty':
      return 'The file has no rows under its header line. Check that it is saved as CSV.';
    case 'csv-too-long':
      return `The file has ${v('rows')} rows; the most is ${v('most')}. Cut it to the last thirty years.`;
    case 'weather-columns':
      return 'Say which column holds the low, the high and the rain.';
    case 'weather-no-days':
      return `None of the ${v('rows')} rows could be read as a day. Check the date column and its order.`;
    case 'weather-short':
      return `The file has ${v('days')} usable days; at least ${v('least')} are needed to know a year. Add more, or answer the four questions instead.`;
    case 'weather-month-missing':
      return `Month ${v('month')} has only ${v('days')} days in the file; each month needs fifteen. Add them, or answer the four questions instead.`;
    case 'weather-swapped':
      return `On ${v('days')} days the night is warmer than the afternoon. The two temperature columns look swapped; choose them the other way round.`;
    case 'frost-order':
      return 'These frost dates cannot be right for this latitude: the frost-free time must lie in the warm half of the year. Check the two dates and the sign of the latitude (south is minus).';
    case 'place-missing':
      return 'Choose the nearest town from the list, or tell the climate another way.';
    case 'latitude-range':
      return 'The latitude must be between -66 and 66 degrees; south is minus.';
    case 'site-range':
      return 'A usual summer afternoon must be at least 4 degrees warmer than the coldest night. Check both.';
    case 'normals-missing':
      return `A figure of month ${v('month')} is missing or no number. All three rows need twelve.`;
    case 'normals-range':
      return `A figure of month ${v('month')} cannot be right. Check its unit: degrees and millimetres, or °F and inches where that is ticked.`;
    case 'normals-swapped':
      return `In month ${v('month')} the lowest is not below the highest. Were the two rows swapped?`;
    case 'normals-coldest':
      return 'The coldest night must be colder than the mean lowest of the coldest month. Correct it or leave it empty.';
    case 'file-not-json':
    case 'file-not-garden':
      return 'This is not a Kilim garden file. Choose the .json file that Kilim exported. Nothing was changed.';
    case 'file-version':
      return `The file does not say which form it is of (${v('version')} is no counting number). Nothing was changed; choose a file that Kilim exported.`;
    case 'file-unreadable':
      return 'The browser could not read this file, perhaps it was moved or the medium was taken out. Nothing was changed; choose it again.';
    case 'file-newer':
      return `This file was made by a newer Kilim (form ${v('version')}, known here ${v('known')}). Update Kilim first. Nothing was changed.`;
    case 'file-too-large':
      return `This file is larger than anything that belongs here (${Math.ceil(Number(v('bytes')) / 1e6)} MB, at most ${Math.floor(Number(v('most')) / 1e6)} MB). It was not read, and nothing was changed.`;
    case 'file-invalid':
      return `The file is damaged at ${f.where}: ${v('problem')}. Nothing was changed; try an earlier copy.`;
    case 'file-part':
      return `This file holds only what is newer than ${v('since')} in ${v('garden')}. It can be made one with the whole garden and not stand for it: bring in the whole garden first.`;
    case 'file-broken-link':
      return `The file is damaged: ${f.where} belongs to no bed in it. Nothing was changed; try an earlier copy.`;
    case 'kind-unknown':
      return `${f.where}: this Kilim does not know that kind. It is kept as it is, and nothing can be worked out for it; a newer Kilim may know it.`;
    case 'worker-lost':
      return 'The part that works things out did not start, perhaps after an update or without a network on the first visit. Nothing saved was touched. Reload the page.';
    case 'core-failed':
      return `This could not be worked out (${v('words')}). Nothing saved was touched. Change a date or the cover and try again; if it stays, export the garden under Keep and report it.`;
    case 'nothing-to-undo':
      return 'There is nothing left to undo.';
    case 'nothing-to-redo':
      return 'There is nothing to do again.';
    // What a gardener has called off is told to nobody.
    case 'cancelled':
      return `Something went wrong (${f.code}${at}). Nothing saved was touched. Reload the page and try again.`;
  }
}
