import { afterEach, expect, it, vi } from 'vitest';
import { ask, ProblemError, query } from './client';

afterEach(() => vi.unstubAllGlobals());

function answer(body: string, status: number) {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, { status })));
}

it('a problem keeps its code and sentence', async () => {
  answer(JSON.stringify({ code: 'lines-held', detail: '2 lines are held back.' }), 409);
  await expect(ask('/x')).rejects.toMatchObject({
    code: 'lines-held',
    status: 409,
    message: '2 lines are held back.',
  });
});

it('an answer that is no problem detail, or none at all, is said in words', async () => {
  answer('<html>', 502);
  await expect(ask('/x')).rejects.toThrow('status 502');
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('refused')));
  const failure = await ask('/x').catch((error: unknown) => error);
  expect(failure).toBeInstanceOf(ProblemError);
  expect((failure as ProblemError).code).toBe('unreachable');
});

it('queries leave out what is not set and repeat lists', () => {
  expect(query({ a: 'x y', b: undefined, c: ['1', '2'], d: '' })).toBe('?a=x+y&c=1&c=2');
  expect(query({})).toBe('');
});
