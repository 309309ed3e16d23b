import { findSpecies } from '../catalogue/catalogue.ts';
import { shiftWords } from '../ui/learntWords.ts';
import { useGarden } from './garden.tsx';

/** By how much this garden's own results move what is said of a kind; nothing while forecasts go by the book. */
export function LearntLine({ kind }: { kind: string }) {
  const { garden } = useGarden();
  const shift = garden.learnt?.shifts[kind] ?? garden.learnt?.shifts[''];
  const words = shiftWords(
    shift as Parameters<typeof shiftWords>[0],
    findSpecies(kind)?.stages.flower_cd ?? 800,
    garden.units,
  );
  return words ? <p className="text-bark mt-1">{words}</p> : null;
}
