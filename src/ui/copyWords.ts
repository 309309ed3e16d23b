const count = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

/** How old the last copy is and what is new since, in a sentence. */
export function copyWords({
  at,
  days,
  entries,
}: {
  at: string | undefined;
  days: number;
  entries: number;
}): string {
  const news = entries === 0 ? 'nothing new' : count(entries, 'entry', 'entries');
  if (at === undefined)
    return entries === 0 ? 'No copy yet, and nothing written yet.' : `No copy yet: ${news}.`;
  const when = days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
  return `Last copy ${when}, ${entries === 0 ? news : `${news} new`} since.`;
}
