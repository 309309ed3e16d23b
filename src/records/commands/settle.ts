import { type Job } from '../../core/jobs/jobs.ts';
import { fail, ok } from '../../core/result/result.ts';
import { checkCover, type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';
import { isDeed, withDeed } from './strips.ts';

/**
 * Says that something planned did happen on its planned day, in one tap. Fails with `bed-gone`, `cover-gone`, `pass-gone`, or as checking a cover's dates does; what was
 * logged meanwhile stays.
 */
export const settle = (
  hands: Hands,
  gardenId: string,
  job: Pick<Job, 'kind' | 'refId' | 'pass' | 'on'>,
  label: string,
): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'settle', label), async () => {
    const { db } = hands;
    if (isDeed(job.kind)) {
      const piece = await db.beds.get(job.refId);
      if (!piece?.life) return fail('bed-gone');
      return ok([{ table: 'beds', put: withDeed(piece, { kind: job.kind, on: job.on }) }]);
    }
    if (job.kind === 'plant' || job.kind === 'clear') {
      const p = await db.plantings.get(job.refId);
      if (!p) return fail('cover-gone');
      const put =
        job.kind === 'plant'
          ? { ...p, plantedOn: p.plantedOn ?? p.plantOn }
          : { ...p, clearedOn: p.clearedOn ?? p.clearOn };
      return ok([{ table: 'plantings', put }]);
    }
    const cover = await db.covers.get(job.refId);
    if (!cover) return fail('cover-gone');
    if (job.kind === 'sow') {
      const put = { ...cover, sownOn: cover.sownOn ?? cover.sowOn };
      const checked = await checkCover(hands, put);
      return checked.ok ? ok([{ table: 'covers', put }]) : checked;
    }
    if (!cover.passes[job.pass ?? -1]) return fail('pass-gone');
    const put = {
      ...cover,
      passes: cover.passes.map((p, i) => (i === job.pass ? { ...p, doneOn: p.doneOn ?? p.due } : p)),
    };
    const checked = await checkCover(hands, put);
    return checked.ok ? ok([{ table: 'covers', put }]) : checked;
  });
