import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import { firstDay, gardenYears } from '../../core/years/years.ts';
import { useGarden } from '../../ring/garden.tsx';
import { stemOf } from '../../ring/staying.ts';
import { storyOf, storyPage } from '../../ring/story.ts';
import { showIso } from '../../ui/dates.ts';
import { Check, SelectField } from '../../ui/fields.tsx';
import { OtherGardens } from './OtherGardens.tsx';

/** A season to read and to hand on: one bed or the whole garden, as a page that opens anywhere. */
export function SeasonStory() {
  const ring = useGarden();
  const { garden, beds, plantings, covers, today, hands } = ring;
  const years = useMemo(
    () => gardenYears(firstDay(plantings, covers, today), today, garden.site.latitude_deg < 0),
    [plantings, covers, today, garden.site.latitude_deg],
  );
  const [yearName, setYear] = useState('');
  const [bedId, setBed] = useState('all');
  const [named, setNamed] = useState(false);
  const [notes, setNotes] = useState(false);
  const [pictured, setPictured] = useState(false);
  const year = years.find((y) => y.name === yearName) ?? years.at(-1)!;
  const story = useMemo(
    () => storyOf(ring, { year, bedId: bedId === 'all' ? null : bedId, named, notes }),
    [ring, year, bedId, named, notes],
  );
  const pictures = useLiveQuery(
    () => hands.db.pictures.where({ gardenId: garden.id }).toArray(),
    [garden.id],
    [],
  );
  const shown = new Map(pictured ? pictures.map((p) => [p.id, p.jpeg]) : []);
  function save() {
    const url = URL.createObjectURL(new Blob([storyPage(story, shown)], { type: 'text/html' }));
    const a = document.createElement('a');
    a.href = url;
    a.download = `${stemOf(story.title)}.html`;
    a.click();
    setTimeout(() => URL.revokeObjectURL(url), 10_000);
  }
  return (
    <div className="max-w-3xl">
      <div className="no-print">
        <div className="grid max-w-md grid-cols-2 gap-4">
          <SelectField
            label="Season"
            value={year.name}
            options={[...years].reverse().map((y) => [y.name, y.name] as const)}
            onChange={setYear}
          />
          <SelectField
            label="Of"
            value={bedId}
            options={[['all', 'the whole garden'], ...beds.map((b) => [b.id, `bed ${b.name}`] as const)]}
            onChange={setBed}
          />
        </div>
        <fieldset className="mt-3">
          <legend className="font-semibold">In it, if you wish</legend>
          <div className="flex flex-wrap gap-x-6">
            <Check label="The garden’s name" checked={named} onChange={setNamed} />
            <Check label="Notes as I wrote them" checked={notes} onChange={setNotes} />
            <Check label="Pictures" checked={pictured} onChange={setPictured} />
          </div>
          <p className="text-bark text-sm">Where the garden lies is said to five degrees and no closer.</p>
        </fieldset>
        <div className="mt-3 flex flex-wrap gap-2">
          <button type="button" className="btn btn-primary" onClick={save}>
            Save it as a page
          </button>
          <button type="button" className="btn" onClick={() => window.print()}>
            Print it
          </button>
        </div>
      </div>
      <article aria-label="The story" className="mt-6">
        <h2 className="font-display text-2xl font-bold">{story.title}</h2>
        {story.lead.map((t) => (
          <p key={t}>{t}</p>
        ))}
        {story.chapters.length === 0 && <p className="mt-3">Nothing was written down in this season.</p>}
        {story.chapters.map((ch) => (
          <section key={ch.bed} className="mt-5 break-inside-avoid">
            <h3 className="font-display border-linen border-b text-lg font-bold">{ch.bed}</h3>
            <ol>
              {ch.lines.map((l, i) => {
                const jpeg = l.pictureOf && shown.get(l.pictureOf);
                return (
                  <li key={i} className="grid grid-cols-[5rem_1fr] gap-x-3 py-0.5">
                    <span className="text-bark">{showIso(l.on)}</span>
                    <span>
                      {l.text}
                      {jpeg && <img src={jpeg} alt="" className="mt-1 h-28" />}
                    </span>
                  </li>
                );
              })}
            </ol>
            {ch.came.map((t) => (
              <p key={t} className="border-indigo mt-1 border-l-4 pl-3">
                {t}
              </p>
            ))}
          </section>
        ))}
      </article>
      <OtherGardens />
    </div>
  );
}
