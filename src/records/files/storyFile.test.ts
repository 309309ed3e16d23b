import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readStory, STORY_MARK } from './storyFile.ts';

const page = (json: string) =>
  `<html><p>words</p><script type="application/json" id="${STORY_MARK}">${json}</script></html>`;
const sound = {
  title: '2026',
  latitude_deg: 55,
  covers: [
    {
      parts: [{ speciesId: 'cereal-rye', share: 1 }],
      sownOn: '2025-09-20',
      method: 'crimp',
      deadOn: '2026-06-03',
      foretold: { low: '2026-05-28', high: null, inTime: 0.9 },
    },
  ],
};
const codeOf = (text: string) => {
  const read = readStory(text);
  return read.ok ? 'ok' : `${read.failure.code} ${read.failure.where ?? ''}`.trim();
};

test.each([
  ['no page at all', '', 'story-none'],
  ['another page', '<html><script>1</script></html>', 'story-none'],
  ['cut off', page(JSON.stringify(sound)).slice(0, 120), 'story-damaged its end'],
  ['no JSON', page('{"title":'), 'story-damaged its results'],
  ['null', page('null'), 'story-damaged its results'],
  ['no covers', page(JSON.stringify({ ...sound, covers: [] })), 'story-damaged covers'],
  ['too far north', page(JSON.stringify({ ...sound, latitude_deg: 91 })), 'story-damaged latitude_deg'],
  [
    'no such day',
    page(JSON.stringify({ ...sound, covers: [{ ...sound.covers[0], sownOn: '2025-02-31' }] })),
    'story-damaged covers › 0 › sownOn',
  ],
  ['as it was saved', page(JSON.stringify(sound)), 'ok'],
])('%s: %3$s', (_, text, want) => {
  expect(codeOf(text)).toBe(want);
});

test('whatever stands in it, it is read whole or refused, and nothing beside what is known comes in', () => {
  fc.assert(
    fc.property(fc.json(), fc.string(), (json, around) => {
      const read = readStory(`${around}${page(json)}${around}`);
      expect(read.ok).toBe(false);
    }),
  );
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (more) => {
      const read = readStory(page(JSON.stringify({ ...more, ...sound })));
      expect(read).toEqual({ ok: true, value: sound });
    }),
  );
});
