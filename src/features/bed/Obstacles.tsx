import { useState } from 'react';
import { obstacleArea_m2 } from '../../core/area/area.ts';
import { parseLength_m, parseSize_m } from '../../core/units/length.ts';
import { showArea } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import type { Bed } from '../../records/types.ts';
import { TextField } from '../../ui/fields.tsx';
import { failureWords } from '../../ui/failureWords.ts';

/** What stands in the bed and wants no seed: taken off its area when seed is weighed. */
export function Obstacles({ bed, save }: { bed: Bed; save(patch: (stands: Bed) => Partial<Bed>): void }) {
  const { garden } = useGarden();
  const unit = garden.units.length === 'imperial' ? 'ft' : 'm';
  const [draft, setDraft, clear] = useDraft(`obstacle ${bed.id}`, { name: '', size: '', count: '1' });
  const [problem, setProblem] = useState('');
  if (!draft) return null;
  const { name, size, count } = draft;
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
  const taken = bed.obstacles.reduce((s, o) => s + obstacleArea_m2(o), 0);
  const add = () => {
    const n = Number(count);
    if (!name.trim()) return setProblem('Say what it is.');
    if (!(n >= 1 && n <= 500)) return setProblem('How many are there? 1 to 500.');
    // One length alone is the width of something round.
    const round = !/[x×*]|\bby\b/i.test(size);
    const read = round ? parseLength_m(size, unit) : parseSize_m(size, unit);
    if (!read.ok) return setProblem(failureWords(read.failure));
    const obstacle =
      typeof read.value === 'number'
        ? { name: name.trim(), width_m: read.value, length_m: null, count: Math.round(n) }
        : { name: name.trim(), ...read.value, count: Math.round(n) };
    if (taken + obstacleArea_m2(obstacle) >= bed.area_m2)
      return setProblem(
        `That is as large as the bed itself (${showArea(bed.area_m2, garden.units)}). Check the size.`,
      );
    setProblem('');
    clear();
    save((b) => ({ obstacles: [...b.obstacles, obstacle] }));
  };
  return (
    <section className="mt-3" aria-label="In the way">
      <h3 className="font-semibold">In the way of seed</h3>
      <ul>
        {bed.obstacles.map((o, i) => (
          <li key={i}>
            {o.count > 1 ? `${o.count} × ` : ''}
            {o.name}: {obstacleArea_m2(o).toFixed(2)} m²{' '}
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              onClick={() => save((b) => ({ obstacles: b.obstacles.filter((_, k) => k !== i) }))}
            >
              Take {o.name.toLowerCase()} away
            </button>
          </li>
        ))}
      </ul>
      <div className="grid max-w-3xl items-end gap-3 sm:grid-cols-4">
        <TextField label="What" value={name} onChange={(t) => set({ name: t })} />
        <TextField
          label="Size, or the width of something round"
          value={size}
          onChange={(t) => set({ size: t })}
        />
        <TextField label="How many" value={count} onChange={(t) => set({ count: t })} decimal />
        <button type="button" className="btn" onClick={add}>
          Add what is in the way
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
    </section>
  );
}
