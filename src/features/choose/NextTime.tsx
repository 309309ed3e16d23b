import { coverTitle } from '../../catalogue/catalogue.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { useGarden } from '../../ring/garden.tsx';

const MOST = 3;
/** The bed and the kind together tell most; the time of year alone, least. */
const near = (l: { here: boolean; kind: boolean; time: boolean }): number =>
  2 * Number(l.here) + 2 * Number(l.kind) + Number(l.time);

/** Sown within so many days of the year, it is the same time of year. */
const SAME_TIME_D = 21;
const YEAR_D = 365;

/** Days of the year between two days, whichever years they are in. */
function apart_d(a: string, b: Day): number {
  const days = (((dayOf(a) - b) % YEAR_D) + YEAR_D) % YEAR_D;
  return Math.min(days, YEAR_D - days);
}

/** Lines that were kept for the next time: of this bed, of the kinds that are looked at here, and of what was sown at this time of year. */
export function NextTime({
  bedId,
  kinds,
  sowDay,
}: {
  bedId: string;
  kinds: readonly string[];
  sowDay: Day | undefined;
}) {
  const { covers, beds } = useGarden();
  const lines = covers
    .filter((c) => c.note.trim() && c.passes.some((p) => p.doneOn))
    .map((c) => ({
      cover: c,
      here: c.bedId === bedId,
      kind: c.parts.some((p) => kinds.includes(p.speciesId)),
      time: sowDay !== undefined && c.sownOn !== null && apart_d(c.sownOn, sowDay) <= SAME_TIME_D,
    }))
    .filter((l) => l.here || l.kind || l.time)
    .sort((a, b) => near(b) - near(a) || (b.cover.sownOn ?? '').localeCompare(a.cover.sownOn ?? ''))
    .slice(0, MOST);
  if (lines.length === 0) return null;
  return (
    <ul className="border-leaf mt-2 border-l-4 pl-3" aria-label="Kept for the next time">
      {lines.map(({ cover }) => (
        <li key={cover.id}>
          <b>
            Bed {beds.find((b) => b.id === cover.bedId)?.name}, {coverTitle(cover).toLowerCase()} of{' '}
            {cover.sownOn?.slice(0, 4)}:
          </b>{' '}
          {cover.note}
        </li>
      ))}
    </ul>
  );
}
