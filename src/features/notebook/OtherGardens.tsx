import { keepReported, removeReported } from '../../records/commands/reported.ts';
import { textOf } from '../../records/files/bytes.ts';
import { LARGEST_STORY, readStory } from '../../records/files/storyFile.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { Field } from '../../ui/parts.tsx';
import { bandWords, reportedWords } from '../../ring/reportedWords.ts';

/** Seasons that other gardeners handed on: to be read, and never counted as one's own. */
export function OtherGardens() {
  const { garden, today, hands, run } = useGarden();
  const reported = garden.reported ?? [];
  async function read(file: File) {
    const text = await textOf(file, LARGEST_STORY);
    const told = text.ok ? readStory(text.value) : text;
    await run(told.ok ? keepReported(hands, garden.id, told.value, today) : Promise.resolve(told));
  }
  return (
    <section className="no-print border-warp mt-10 border-t pt-4" aria-label="From other gardens">
      <h2 className="font-display text-xl font-bold">From other gardens</h2>
      <Field
        label="Read a season that was saved as a page"
        hint="It is shown here and beside its kinds. No forecast of yours goes by it."
      >
        {(id) => (
          <input
            id={id}
            type="file"
            accept=".html,text/html"
            className="file-input"
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = '';
              if (file) void read(file);
            }}
          />
        )}
      </Field>
      {reported.map((r) => (
        <article key={r.id} className="border-indigo mt-4 border-l-4 pl-4" aria-label={r.title}>
          <div className="flex flex-wrap items-baseline gap-3">
            <h3 className="font-display text-lg font-bold">{r.title}</h3>
            <span className="text-bark">
              another garden, {bandWords(r.latitude_deg)}, read {showIsoYear(r.readOn)}
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-xs ml-auto"
              onClick={() => void run(removeReported(hands, garden.id, r.id))}
            >
              Put away
            </button>
          </div>
          <ul>
            {r.covers.map((c, i) => (
              <li key={i} className="border-linen border-t py-1">
                {reportedWords(c)}
              </li>
            ))}
          </ul>
        </article>
      ))}
    </section>
  );
}
