import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { type Sample } from '../../core/choose/sample.ts';
import { useGarden } from '../../ring/garden.tsx';
import { renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGapForm } from './useGapForm.ts';
import { usePutting } from './usePutting.ts';

const seen = { id: 'rye', years: 10, best: { odds: { inTime: 0.6 } } } as Sample;
/** On all years it hardly ever works. */
const whole = { ...seen, years: 200, best: { odds: { inTime: 0.04 } } } as Sample;
let asked: Sample[] = [];
let tell: (sample: Sample) => void = () => undefined;

function Put() {
  const { beds } = useGarden();
  const bed = beds[0]!;
  const settled = (sample: Sample) => {
    asked.push(sample);
    return new Promise<Sample>((resolve) => (tell = resolve));
  };
  const { put, doubted } = usePutting(bed, useGapForm(bed), settled);
  return (
    <>
      <button type="button" onClick={() => void put(seen)}>
        Put it on
      </button>
      <p data-testid="doubted">{doubted ? `${doubted.id} on ${doubted.years}` : 'no'}</p>
    </>
  );
}

test('a cover goes on a bed as all years have it, not as the few did; a second tap meanwhile does nothing', async () => {
  asked = [];
  const { user } = await renderInGarden(<Put />);
  const put = screen.getByRole('button', { name: 'Put it on' });
  await user.click(put);
  await user.click(put);
  expect(asked).toEqual([seen]);
  tell(whole);
  await waitFor(() => expect(screen.getByTestId('doubted').textContent).toBe('rye on 200'));
  // Once it is done, a tap counts again.
  await user.click(put);
  expect(asked).toHaveLength(2);
});
