import { useState } from 'react';
import { dayOf } from '../../core/calendar/day.ts';
import { jobsOf } from '../../core/jobs/jobs.ts';
import { stripJobs, stripsOf } from '../../core/strips/life.ts';
import { type Failure } from '../../core/result/result.ts';
import { wholeBeds } from '../../core/bed/pieces.ts';
import { bedsToGeoJson } from '../../records/files/bedsFile.ts';
import { onlyNew } from '../../records/files/onlyNew.ts';
import { writeGardenFile } from '../../records/files/gardenFile.ts';
import { journalCsv } from '../../records/files/journalCsv.ts';
import { readKept, wipeGarden } from '../../records/verbs/verbs.ts';
import { BringBack } from '../../ring/BringBack.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { mowDays, useMowings } from '../../ring/useMowings.ts';
import { GardenList } from '../../ring/GardenList.tsx';
import { canShareFiles, copyTaken, forget, stemOf, useCopyAge } from '../../ring/staying.ts';
import { happenings, jobWords } from '../../ring/journal.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { Field, Page } from '../../ui/parts.tsx';
import { LookOfApp } from './LookOfApp.tsx';
import { Staying } from './Staying.tsx';

interface Props {
  tell(f: Failure): void;
  say(text: string): void;
  onWiped(): void;
  onOpen(id: string): void;
}

/** Take the garden out, bring it back, wipe it; jobs and journal in open formats. */
export default function KeepPage({ tell, say, onWiped, onOpen }: Props) {
  const ring = useGarden();
  const mowings = useMowings();
  const { garden, hands, today } = ring;
  const [sure, setSure] = useState('');
  const stem = stemOf(garden.name);
  const age = useCopyAge(garden.id);

  function save(name: string, type: string, text: string) {
    const url = URL.createObjectURL(new Blob([text], { type }));
    const a = document.createElement('a');
    a.href = url;
    a.download = name;
    a.click();
    setTimeout(() => URL.revokeObjectURL(url), 10_000);
  }
  async function exportGarden() {
    const contents = await readKept(hands.db, garden.id);
    if (!contents) return;
    save(`${stem}.kilim.json`, 'application/json', writeGardenFile(contents));
    await copyTaken(garden.id);
  }
  async function exportNew(since: string) {
    const contents = await readKept(hands.db, garden.id);
    if (!contents) return;
    const text = writeGardenFile(onlyNew(contents, since), since);
    save(`${stem}-since-${since.slice(0, 10)}.kilim.json`, 'application/json', text);
    await copyTaken(garden.id);
  }
  /** The system's own way of handing a file on, to another device or person. */
  async function hand() {
    const contents = await readKept(hands.db, garden.id);
    if (!contents) return;
    const file = new File([writeGardenFile(contents)], `${stem}.kilim.json`, { type: 'application/json' });
    // Called off is no failure.
    await navigator.share({ files: [file], title: garden.name }).then(
      () => copyTaken(garden.id),
      () => undefined,
    );
  }
  async function exportJobs() {
    const { jobsCalendar } = await import('../../records/files/calendar.ts');
    const now = dayOf(today);
    const jobs = [
      ...jobsOf(ring.plantings, ring.covers, ring.looks, now),
      ...stripJobs(stripsOf(ring.beds), now, garden.site.latitude_deg < 0, mowDays(mowings)),
    ].map((j) => ({
      id: j.id,
      on: j.on,
      ...jobWords(j, ring),
    }));
    save(`${stem}-jobs.ics`, 'text/calendar', jobsCalendar(garden.name, jobs, hands.now()));
  }
  function exportJournal() {
    const lines = happenings(ring).map((h) => ({
      date: h.on,
      bed: ring.beds.find((b) => b.id === h.bedId)?.name ?? '',
      what: h.what,
      detail: h.detail,
    }));
    save(`${stem}-journal.csv`, 'text/csv', journalCsv(lines));
  }
  function exportBeds() {
    save(
      `${stem}-beds.geojson`,
      'application/geo+json',
      bedsToGeoJson(wholeBeds(ring.beds), garden.north_deg),
    );
  }
  async function wipe() {
    const gone = await wipeGarden(hands, garden.id);
    if (gone.ok) forget();
    if (gone.ok) onWiped();
    else tell(gone.failure);
  }
  return (
    <Page
      title="Keep it"
      lead="Your garden lives in this browser only. Take a copy out often; a cleared browser forgets."
    >
      <div className="grid max-w-4xl gap-8 md:grid-cols-2">
        <section>
          <h2 className="font-display text-xl font-bold">Take out</h2>
          <div className="mt-2 flex flex-col items-start gap-3">
            <button type="button" className="btn btn-primary" onClick={() => void exportGarden()}>
              Export the whole garden
            </button>
            {canShareFiles() && (
              <button type="button" className="btn" onClick={() => void hand()}>
                Send it to another device
              </button>
            )}
            {age?.at && age.entries > 0 && (
              <button type="button" className="btn" onClick={() => void exportNew(age.at!)}>
                Only what is new since {showIsoYear(age.at.slice(0, 10))}
              </button>
            )}
            <button type="button" className="btn" onClick={() => void exportJobs()}>
              Every job as a calendar file
            </button>
            <button type="button" className="btn" onClick={exportJournal}>
              The journal as CSV
            </button>
            <button type="button" className="btn" onClick={exportBeds}>
              The beds as GeoJSON
            </button>
          </div>
        </section>
        <section>
          <h2 className="font-display text-xl font-bold">Bring back</h2>
          <BringBack
            done={(id, said) => {
              say(said);
              onOpen(id);
            }}
          />
          <p className="mt-3 flex flex-wrap gap-x-5">
            <a className="underline" href="/open-demo/north-shore">
              Open the demo garden North Shore
            </a>
            <a className="underline" href="/open-demo/two-gums">
              Open the demo garden Two Gums
            </a>
            <a className="underline" href="/new">
              Make another garden
            </a>
          </p>
        </section>
        <Staying garden={garden} say={say} />
        <GardenList openId={garden.id} open={onOpen} gone={onWiped} tell={tell} />
        <section>
          <LookOfApp />
        </section>
        <section>
          <h2 className="font-display text-madder text-xl font-bold">Wipe</h2>
          <Field
            label={`To wipe ${garden.name} from this browser, write its name`}
            hint="Export it first. This cannot be undone."
          >
            {(id) => (
              <input id={id} className="input" value={sure} onChange={(e) => setSure(e.target.value)} />
            )}
          </Field>
          <button
            type="button"
            className="btn btn-error mt-2"
            disabled={sure !== garden.name}
            onClick={() => void wipe()}
          >
            Wipe {garden.name}
          </button>
        </section>
      </div>
    </Page>
  );
}
