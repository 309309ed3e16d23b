/** How old the last copy of a garden is. */
export interface CopyAge {
  /** When the last copy was taken, ISO; undefined when none ever was. */
  at: string | undefined;
  days: number;
  /** Entries since then; counting stops at what the history holds. */
  entries: number;
}

/** A copy this old with so much new is spoken of quietly, and then plainly (judgement: what a season's fortnight holds, and what nobody writes twice). */
export function urge({ days, entries }: CopyAge): 'none' | 'quiet' | 'plain' {
  if (entries === 0) return 'none';
  if ((days >= 45 && entries >= 10) || entries >= 150) return 'plain';
  return (days >= 14 && entries >= 5) || entries >= 40 ? 'quiet' : 'none';
}

const count = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

/** How old the last copy is and what is new since, in a sentence. */
export function copyWords({ at, days, entries }: CopyAge): string {
  const news = entries === 0 ? 'nothing new' : count(entries, 'entry', 'entries');
  if (at === undefined)
    return entries === 0 ? 'No copy yet, and nothing written yet.' : `No copy yet: ${news}.`;
  const when = days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
  return `Last copy ${when}, ${entries === 0 ? news : `${news} new`} since.`;
}
