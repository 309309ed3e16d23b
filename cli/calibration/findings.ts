import findingsData from './findings.json' with { type: 'json' };
import { dayOf, isoOf } from '../../src/core/calendar/day.ts';
import { type Site } from '../../src/core/site/site.ts';
import { Bench, type Situation, YEAR } from './situations.ts';

/** A published finding on endings, residue, nitrogen, weeds, emergence, water or waits, and the case in which it was found. */
interface Finding {
  id: string;
  topic: string;
  source: string;
  confidence: string;
  quantity: string;
  /** Range published; for a date month and day. */
  range: [number, number] | [string, string];
  situation: Situation;
}

export interface FindingLine {
  id: string;
  topic: string;
  quantity: string;
  source: string;
  published: string;
  computed: string;
  verdict: 'hit' | 'near' | 'miss';
}

const data = findingsData as unknown as { sites: (Site & { id: string })[]; findings: Finding[] };

export const findingIds = (): string[] => data.findings.map((f) => f.id);

/** Runs the findings and says of each whether the core's figure lies in the published range. A miss stays a miss. */
export function findings(years: number, only?: string[]): FindingLine[] {
  const bench = new Bench(years, data.sites);
  return data.findings
    .filter((f) => !only || only.includes(f.id))
    .map((f) => {
      const value = bench.compute(f.situation);
      const dated = typeof f.range[0] === 'string';
      const range = f.range.map((r) => (typeof r === 'string' ? bench.daysTo(f.situation, r) : r)) as [
        number,
        number,
      ];
      const days = /day|date/.test(f.quantity);
      const near = Math.max(0.3 * (range[1] - range[0]), days ? 3 : 0);
      const sown = dayOf(`${YEAR}-${f.situation.sown ?? '01-01'}`);
      return {
        id: f.id,
        topic: f.topic,
        quantity: f.quantity,
        source: f.source,
        published: f.range.join(' to '),
        computed: !Number.isFinite(value)
          ? 'never'
          : dated
            ? isoOf(sown + Math.round(value)).slice(5)
            : value.toFixed(Math.abs(value) < 10 ? 2 : 0),
        verdict:
          value >= range[0] && value <= range[1]
            ? 'hit'
            : value >= range[0] - near && value <= range[1] + near
              ? 'near'
              : 'miss',
      };
    });
}

/** Hits by topic, the whole last. */
export function tallyFindings(lines: readonly FindingLine[]): { topic: string; hits: number; of: number }[] {
  const topics = [...new Set(lines.map((l) => l.topic)), 'all findings'];
  return topics.map((topic) => {
    const here = topic === 'all findings' ? lines : lines.filter((l) => l.topic === topic);
    return { topic, hits: here.filter((l) => l.verdict === 'hit').length, of: here.length };
  });
}
