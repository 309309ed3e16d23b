import { type Result, fail, ok } from '../../core/result/result.ts';
import { type Reported, reportedSchema } from '../types.ts';

/** Name of the part of a story's page that another Kilim reads. */
export const STORY_MARK = 'kilim-season';

/** A page with pictures is larger than any table, ASCII letters each. */
export const LARGEST_STORY = 40_000_000;

/**
 * What a story's page tells of another garden. Fails with `story-none` where the page holds nothing to read, or `story-damaged`; nothing else of the page is
 * looked at.
 */
export function readStory(text: string): Result<Reported> {
  const opens = `<script type="application/json" id="${STORY_MARK}">`;
  const from = text.lastIndexOf(opens);
  if (from < 0) return fail('story-none');
  const to = text.indexOf('</script>', from);
  if (to < 0) return fail('story-damaged', 'its end');
  let data: unknown;
  try {
    data = JSON.parse(text.slice(from + opens.length, to));
  } catch {
    return fail('story-damaged', 'its results');
  }
  const read = reportedSchema.safeParse(data);
  if (read.success) return ok(read.data);
  return fail('story-damaged', read.error.issues[0]?.path.join(' › ') || 'its results');
}
