import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { vi } from 'vitest';
import { AccountContext, type Account } from '../api/account';

/** An analyst who also looks after accounts. */
export const ANALYST: Account = {
  id: 1,
  name: 'Ada',
  role: 'analyst',
  member: null,
  memberName: null,
  isAdministrator: true,
  isDisabled: false,
  mustChange: false,
  version: 3,
};

/** Something as an account sees it. */
export function as(account: Account, shown: ReactNode) {
  return <AccountContext.Provider value={account}>{shown}</AccountContext.Provider>;
}

export interface Asked {
  path: string;
  method: string;
  body: unknown;
}

/** The answer of a route that refuses. */
export class Refused {
  readonly status: number;
  readonly detail: string;
  readonly place: string | undefined;
  readonly code: string;

  constructor(status: number, detail: string, place?: string, code = 'refused') {
    this.code = code;
    this.status = status;
    this.detail = detail;
    this.place = place;
  }
}

const ROOT = '/api/v1';

/** How specific a part is: the later it stands in the address, and the longer it is. */
const placeOf = (path: string, part: string) =>
  path.indexOf(part.replace(/^[A-Z]+ /, '')) * 1000 + part.length;

/**
 * Answers requests by the part of their address that stands last in it, as "POST /loads" where the
 * method counts; anything else fails. A function answers by the body that it gets.
 * Returns what was asked.
 */
export function serve(answers: Record<string, unknown>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    const body = typeof init?.body === 'string' ? (JSON.parse(init.body) as unknown) : undefined;
    asked.push({ path, method: init?.method ?? 'GET', body });
    const found = Object.entries(answers)
      .filter(([part]) =>
        `${init?.method ?? 'GET'} ${path}`.includes(part.replace(' ', ` ${ROOT}`)),
      )
      .sort(([one], [other]) => placeOf(path, other) - placeOf(path, one))[0];
    const given = found ? found[1] : new Refused(500, 'It failed.');
    const answer: unknown =
      typeof given === 'function' ? (given as (body: unknown) => unknown)(body) : given;
    return Promise.resolve(
      answer instanceof Refused
        ? new Response(
            JSON.stringify({ code: answer.code, detail: answer.detail, place: answer.place }),
            {
              status: answer.status,
            },
          )
        : new Response(JSON.stringify(answer), { status: 200 }),
    );
  });
  return asked;
}

function Address() {
  return <output data-testid="address">{useLocation().search}</output>;
}

/** Shows something at an address; its query stands in the test id `address`. */
export function showAt(shown: ReactNode, address: string) {
  return render(
    <QueryClientProvider
      client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}
    >
      <MemoryRouter initialEntries={[address]}>
        {shown}
        <Address />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

/** jsdom lays nothing out; virtual rows need a height to be drawn in. */
export function layOut() {
  vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(600);
  vi.spyOn(HTMLElement.prototype, 'offsetWidth', 'get').mockReturnValue(800);
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(600);
  Element.prototype.scrollTo = () => undefined;
}

export function clean() {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
}
