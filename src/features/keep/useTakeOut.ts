import { wholeBeds } from '../../core/bed/pieces.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { jobsOf } from '../../core/jobs/jobs.ts';
import { stripJobs, stripsOf } from '../../core/strips/life.ts';
import { bedsToGeoJson } from '../../records/files/bedsFile.ts';
import { writeGardenFile } from '../../records/files/gardenFile.ts';
import { journalCsv } from '../../records/files/journalCsv.ts';
import { onlyNew } from '../../records/files/onlyNew.ts';
import { readKept } from '../../records/verbs/verbs.ts';
import { useGarden } from '../../ring/garden.tsx';
import { happenings, jobWords } from '../../ring/journal.ts';
import { copyTaken, stemOf } from '../../ring/staying.ts';
import { mowDays, useMowings } from '../../ring/useMowings.ts';

/** A file is asked for by the browser at once; its text may go soon after. */
const LETS_GO_MS = 10_000;

function save(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), LETS_GO_MS);
}

/** The garden, its jobs, its journal and its beds, each taken out as a file. */
export function useTakeOut() {
  const ring = useGarden();
  const mowings = useMowings();
  const { garden, hands, today } = ring;
  const stem = stemOf(garden.name);
  const read = () => readKept(hands.db, garden.id);
  async function whole() {
    const contents = await read();
    if (!contents) return;
    save(`${stem}.kilim.json`, 'application/json', writeGardenFile(contents));
    await copyTaken(garden.id);
  }
  async function newSince(since: string) {
    const contents = await read();
    if (!contents) return;
    const text = writeGardenFile(onlyNew(contents, since), since);
    save(`${stem}-since-${since.slice(0, 10)}.kilim.json`, 'application/json', text);
    await copyTaken(garden.id);
  }
  /** The system's own way of handing a file on, to another device or person. */
  async function hand() {
    const contents = await read();
    if (!contents) return;
    const file = new File([writeGardenFile(contents)], `${stem}.kilim.json`, { type: 'application/json' });
    // Called off is no failure.
    await navigator.share({ files: [file], title: garden.name }).then(
      () => copyTaken(garden.id),
      () => undefined,
    );
  }
  async function jobs() {
    const { jobsCalendar } = await import('../../records/files/calendar.ts');
    const now = dayOf(today);
    const all = [
      ...jobsOf(ring.plantings, ring.covers, ring.looks, now),
      ...stripJobs(stripsOf(ring.beds), now, garden.site.latitude_deg < 0, mowDays(mowings)),
    ].map((j) => ({ id: j.id, on: j.on, ...jobWords(j, ring) }));
    save(`${stem}-jobs.ics`, 'text/calendar', jobsCalendar(garden.name, all, hands.now()));
  }
  function journal() {
    const lines = happenings(ring).map((h) => ({
      date: h.on,
      bed: ring.beds.find((b) => b.id === h.bedId)?.name ?? '',
      what: h.what,
      detail: h.detail,
    }));
    save(`${stem}-journal.csv`, 'text/csv', journalCsv(lines));
  }
  const beds = () =>
    save(
      `${stem}-beds.geojson`,
      'application/geo+json',
      bedsToGeoJson(wholeBeds(ring.beds), garden.north_deg),
    );
  return { whole, newSince, hand, jobs, journal, beds };
}
