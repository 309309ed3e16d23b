import { useLiveQuery } from 'dexie-react-hooks';
import { hands } from '../../ring/garden.tsx';
import { showIso } from '../../ui/dates.ts';

/** Small copies of the pictures that looks were read from, side by side in the order of their days; they stay on this device. */
export function Pictures({ coverId }: { coverId: string }) {
  const pictures = useLiveQuery(() => hands.db.pictures.where({ coverId }).sortBy('on'), [coverId], []);
  if (pictures.length === 0) return null;
  return (
    <section aria-label="Pictures of this bed" className="mt-5 max-w-3xl">
      <h2 className="font-display text-xl font-bold">Seen from above</h2>
      <ul className="mt-1 flex gap-3 overflow-x-auto pb-1">
        {pictures.map((p) => (
          <li key={p.id} className="shrink-0">
            <img src={p.jpeg} alt={`From above on ${showIso(p.on)}`} className="h-28" />
            <span className="text-sm">{showIso(p.on)}</span>
          </li>
        ))}
      </ul>
      <p className="text-bark text-sm">They stay on this device and are in no file.</p>
    </section>
  );
}
