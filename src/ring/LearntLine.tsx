import { findSpecies } from '../catalogue/catalogue.ts';
import { killWords, shiftWords } from '../ui/learntWords.ts';
import { useGarden } from './garden.tsx';

/** By how much this garden's own results move what is said of a kind, and of a way of ending it; nothing while forecasts go by the book. */
export function LearntLine({ kind, method }: { kind: string; method?: string | undefined }) {
  const { garden } = useGarden();
  const shift = garden.learnt?.shifts[kind] ?? garden.learnt?.shifts[''];
  const words = shiftWords(
    shift as Parameters<typeof shiftWords>[0],
    findSpecies(kind)?.stages.flower_cd ?? 800,
    garden.units,
  );
  const kills = killWords(method === undefined ? undefined : garden.learnt?.kills?.[method]);
  const said = [words, kills].filter(Boolean).join(' ');
  return said ? <p className="text-bark mt-1">{said}</p> : null;
}
