import { useLiveQuery } from 'dexie-react-hooks';
import { coverTitle, endingFiguresOf, findSpecies } from '../../catalogue/catalogue.ts';
import type { Cover, Look } from '../../records/types.ts';
import { hands, useGarden } from '../../ring/garden.tsx';
import { lookWords } from '../../ring/lookWords.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { StageDrawing } from '../../ui/drawings/Stage.tsx';
import { stageFormOf } from '../../ui/drawings/stageForms.ts';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';

interface Props {
  bedId: string;
  /** The cover that is looked at: what was seen of others stands after it, named. */
  cover: Cover;
  takeAway(look: Look): void;
}

/** All looks at a bed side by side, the newest first: its picture where one was taken, else what was seen, drawn. */
export function LookStrip({ bedId, cover, takeAway }: Props) {
  const { looks, covers, garden } = useGarden();
  const pictures = useLiveQuery(
    () => hands.db.pictures.where({ gardenId: garden.id }).toArray(),
    [garden.id],
    [],
  );
  const mine = looks.filter((l) => l.bedId === bedId).sort((a, b) => b.on.localeCompare(a.on));
  if (mine.length === 0) return null;
  return (
    <section aria-label="All looks at this bed" className="mt-5">
      <h2 className="font-display text-xl font-bold">All looks at this bed</h2>
      {/* It runs on to the right, and can be reached and moved with keys. */}
      <ul className="mt-2 flex gap-3 overflow-x-auto pb-2" tabIndex={0} aria-label="Looks, newest first">
        {mine.map((l) => {
          const of = covers.find((c) => c.id === l.coverId);
          const picture = pictures.find((p) => p.id === l.id);
          return (
            <li key={l.id} className="border-linen bg-paper flex w-44 shrink-0 flex-col border">
              <div className="flex h-32 items-center justify-center overflow-hidden">
                {picture ? (
                  <img
                    src={picture.jpeg}
                    alt={`From above on ${showIsoYear(l.on)}`}
                    className="h-full w-full object-cover"
                  />
                ) : (
                  <Seen look={l} cover={of} />
                )}
              </div>
              <div className="flex grow flex-col gap-1 p-2">
                <b>{showIsoYear(l.on)}</b>
                {of && of.id !== cover.id && <span className="text-bark text-sm">{coverTitle(of)}</span>}
                <span className="text-sm">{lookWords(l, garden.units)}</span>
                <button
                  type="button"
                  className="mt-auto self-start text-sm underline"
                  aria-label={`Take away the look of ${showIsoYear(l.on)}`}
                  onClick={() => takeAway(l)}
                >
                  Take away
                </button>
              </div>
            </li>
          );
        })}
      </ul>
      <p className="text-bark text-sm">Pictures stay on this device and are in no file.</p>
    </section>
  );
}

/** What was seen without a picture: how far the leading kind was, else how much of the ground was covered. */
function Seen({ look, cover }: { look: Look; cover: Cover | undefined }) {
  const told = look.members.find((m) => m.stage);
  const lead = findSpecies(told?.speciesId ?? cover?.parts[0]?.speciesId ?? '');
  const stage = told?.stage ?? look.stage;
  if (stage && lead)
    return <StageDrawing form={stageFormOf(lead.id, endingFiguresOf(lead.id)?.group)} stage={stage} />;
  const share = look.cover ?? 0;
  return (
    <svg viewBox="0 0 120 100" className="h-full w-full" aria-hidden="true">
      <WeaveDefs prefix={`look-${look.id}`} />
      <rect width={120} height={100} fill={`url(#look-${look.id}-warp)`} />
      {share > 0 && lead && (
        <Woven
          prefix={`look-${look.id}`}
          x={0}
          y={100 * (1 - share)}
          width={120}
          height={100 * share}
          bands={[{ motif: lead.role, share: 1 }]}
        />
      )}
    </svg>
  );
}
