import { coverTitle } from '../../catalogue/catalogue.ts';
import { useGarden } from '../../ring/garden.tsx';

const MOST = 3;

/** Lines that were kept for the next time: of this bed, and of the kinds that are looked at here. */
export function NextTime({ bedId, kinds }: { bedId: string; kinds: readonly string[] }) {
  const { covers, beds } = useGarden();
  const lines = covers
    .filter((c) => c.note.trim() && c.passes.some((p) => p.doneOn))
    .map((c) => ({
      cover: c,
      here: c.bedId === bedId,
      kind: c.parts.some((p) => kinds.includes(p.speciesId)),
    }))
    .filter((l) => l.here || l.kind)
    .sort(
      (a, b) =>
        Number(b.here && b.kind) - Number(a.here && a.kind) ||
        (b.cover.sownOn ?? '').localeCompare(a.cover.sownOn ?? ''),
    )
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
