import { findCrop } from '../../catalogue/catalogue.ts';
import { type Turn } from '../../core/rotation/rules.ts';

/** What a bed brings in a year, as words: "Lettuce, then leek". */
export function turnWords(turn: Turn): string {
  const names = turn.map((id) => findCrop(id)?.name ?? id);
  return names.length === 0
    ? 'rests in clover'
    : names.map((n, i) => (i === 0 ? n : n.toLowerCase())).join(', then ');
}
