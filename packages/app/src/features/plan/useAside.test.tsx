import { act, renderHook } from '@testing-library/react';
import type { PropsWithChildren } from 'react';
import { Provider } from 'react-redux';
import { makeStore } from '../../store';
import { useAside } from './useAside';

jest.mock('../../model/model', () => ({ startModel: () => ({ model: {}, stop: () => undefined }) }));

const wrapper = ({ children }: PropsWithChildren) => <Provider store={makeStore()}>{children}</Provider>;

type Tell = (what: string, done: number, all: number) => void;

/** A question that is answered, or fails, when told to. */
function asked() {
  let tell!: Tell;
  let settle!: { answer: (value: number) => void; fail: (why: Error) => void };
  const ask = (_: unknown, __: number, told: Tell) => {
    tell = told;
    return new Promise<number>((answer, fail) => (settle = { answer, fail }));
  };
  const { result } = renderHook(() => useAside<number, number>(ask), { wrapper });
  const start = () => act(async () => void result.current.start(1));
  return { result, start, tell: (done: number) => act(async () => tell('', done, 9)), settled: () => settle };
}

test('how far it is may be told after the answer, and does not stand for good', async () => {
  const { result, start, tell, settled } = asked();
  await start();
  await tell(3);
  expect(result.current.progress).toEqual({ what: '', done: 3, all: 9 });
  await act(async () => settled().answer(7));
  await tell(9);
  expect(result.current).toMatchObject({ progress: null, answer: { to: 1, value: 7 } });
});

test('a question that fails says why, and can be asked again', async () => {
  const { result, start, settled } = asked();
  await start();
  await act(async () => settled().fail(new Error('The model did not start.')));
  expect(result.current).toMatchObject({ progress: null, failure: 'The model did not start.' });
  await start();
  expect(result.current.failure).toBeNull();
  await act(async () => settled().answer(7));
  expect(result.current.answer?.value).toBe(7);
});
