import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Account, Session } from '../api/account';
import type { Company, MonthReading } from '../api/types';
import { ANSWERS, COMPANY, reading } from '../test/samples';
import { ANALYST, clean, layOut, Refused, serve, showAt } from '../test/desk';
import { App } from './App';
import { Frame } from './Frame';

const MONTHS: MonthReading[] = [
  { month: '2026-07', number: 1, quarter: 1, state: 'sealed', reading: reading('9.00', null) },
  {
    month: '2026-08',
    number: 2,
    quarter: 1,
    state: 'open',
    reading: reading('12.00', '10.00', {
      attainment: '1.2',
      percentShown: '120.0',
      status: 'well past',
      tone: 'good',
    }),
  },
  {
    month: '2026-09',
    number: 3,
    quarter: 1,
    state: 'open',
    reading: reading('9.00', '10.00', {
      attainment: '0.9',
      percentShown: '90.0',
      status: 'near',
      tone: 'near',
    }),
  },
  { month: '2026-10', number: 4, quarter: 2, state: 'empty', reading: reading('0.00', null) },
];

function answers(account: Account, company: Company = COMPANY) {
  let preferences: unknown = { mail: null, keysOn: true, keys: {} };
  return {
    ...ANSWERS,
    '/session': { account, isFirst: false, demo: [] } satisfies Session,
    '/session/preferences': (body: unknown) => (preferences = body ?? preferences),
    '/company': company,
    '/months?': { name: 'All', fiscalYear: 2027, months: MONTHS },
    '/loads': [],
    '/sources': [],
    '/earnings/desk': new Refused(500, 'Nothing to pay.'),
    '/members': [
      { axis: 'product', key: 'NV-10', name: 'Chart plotter 9in' },
      { axis: 'rep', key: 'R16', name: 'Dario Venn' },
    ],
  };
}

const SIGNED_IN = (
  <App>
    <Frame />
  </App>
);

function open(address: string, account = ANALYST, company = COMPANY) {
  const asked = serve(answers(account, company));
  showAt(SIGNED_IN, address);
  return asked;
}

const address = () => screen.getByTestId('address').textContent;
const strip = () => screen.findByRole('region', { name: 'Months' });
const desks = async () =>
  within(await screen.findByRole('navigation', { name: 'Desks' }))
    .getAllByRole('link')
    .map((link) => link.textContent);

beforeEach(layOut);
afterEach(clean);

describe('the frame', () => {
  it('begins with the first load while nothing is posted', async () => {
    open('/', ANALYST, { ...COMPANY, firstMonth: null, lastMonth: null });
    expect(await screen.findByText('Load the first file.')).toBeVisible();
    expect(await desks()).toEqual(['Goals', 'Intake', 'Standing', 'Earnings', 'Briefing', 'Rules']);
  });

  it('begins with Standing where something is, and offers a manager no office desk', async () => {
    open('/intake', { ...ANALYST, role: 'manager', member: 'M1', memberName: 'M1' });
    expect(await desks()).toEqual(['Standing', 'Earnings']);
    expect(await screen.findByText(/7.5 % ahead of quota/)).toBeVisible();
  });

  it('has a title of desk, months and company', async () => {
    open('/standing?to=2026-08');
    await waitFor(() =>
      expect(document.title).toMatch(/^Standing, August 2026, .* – Zealous Target$/),
    );
  });

  it('says who is signed in as what, and signs out', async () => {
    const asked = open('/standing', {
      ...ANALYST,
      role: 'rep',
      member: 'R16',
      memberName: 'Dario Venn',
    });
    await userEvent.click(await screen.findByRole('button', { name: 'Account Ada' }));
    expect(await screen.findByText('rep, Dario Venn')).toBeVisible();
    await userEvent.click(screen.getByRole('menuitem', { name: 'Sign out' }));
    await waitFor(() =>
      expect(asked).toContainEqual({ path: '/api/v1/session', method: 'DELETE', body: undefined }),
    );
  });

  it('finds a member of any axis and opens it with the same span', async () => {
    open('/earnings?to=2026-08&span=q&find=x');
    await userEvent.type(await screen.findByRole('combobox', { name: /^Find a rep/ }), 'plot');
    await userEvent.click(await screen.findByRole('option', { name: /Chart plotter/ }));
    await waitFor(() => expect(address()).toBe('?span=q&to=2026-08&axis=product&selected=NV-10'));
  });

  it('carries what is tried between the desks where figures are read, not elsewhere', async () => {
    open('/earnings?to=2026-08&trialFactor=1.1&trialPace=end&find=x');
    expect(await screen.findByRole('link', { name: 'Standing' })).toHaveAttribute(
      'href',
      '/standing?to=2026-08&trialFactor=1.1&trialPace=end',
    );
    expect(screen.getByRole('link', { name: 'Goals' })).toHaveAttribute(
      'href',
      '/goals?to=2026-08',
    );
  });

  it('says where nothing is called so', async () => {
    serve({ ...answers(ANALYST), '/members': [] });
    showAt(SIGNED_IN, '/standing');
    await userEvent.type(await screen.findByRole('combobox', { name: /^Find a rep/ }), 'zz');
    expect(await screen.findByText('No match')).toBeVisible();
  });

  it('says that the company cannot be read, and reads it again', async () => {
    serve({ '/session': answers(ANALYST)['/session'] });
    showAt(SIGNED_IN, '/standing');
    expect(await screen.findByText('It failed.')).toBeVisible();
    serve(answers(ANALYST));
    await userEvent.click(screen.getByRole('button', { name: /again/i }));
    expect(await strip()).toBeVisible();
  });
});

describe('data that were restored', () => {
  const waiting = new Refused(
    503,
    'Restored, and not confirmed.',
    undefined,
    'restore-unconfirmed',
  );
  const serveWaiting = (account: Account) =>
    serve({ '/session': answers(account)['/session'], '/company': waiting });

  it('are shown once an approver has confirmed them', async () => {
    serveWaiting({ ...ANALYST, role: 'approver' });
    showAt(SIGNED_IN, '/standing');
    const confirm = await screen.findByRole('button', { name: 'Confirm the restored data' });
    expect(screen.getByText('Restored, and not confirmed.')).toBeVisible();
    const asked = serve({
      ...answers({ ...ANALYST, role: 'approver' }),
      'POST /backups/restored': null,
    });
    await userEvent.click(confirm);
    expect(await strip()).toBeVisible();
    expect(asked[0]?.path).toBe('/api/v1/backups/restored');
  });

  it('are not confirmed by an analyst', async () => {
    serveWaiting({ ...ANALYST, isAdministrator: false });
    showAt(SIGNED_IN, '/standing');
    expect(await screen.findByText('Restored, and not confirmed.')).toBeVisible();
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('a desk that cannot be drawn', () => {
  it('says so, leaves the frame, and is drawn again', async () => {
    vi.spyOn(console, 'error').mockReturnValue(undefined);
    vi.spyOn(console, 'warn').mockReturnValue(undefined);
    serve({ ...answers(ANALYST), '/standing': { ...ANSWERS['/standing'], headline: null } });
    showAt(SIGNED_IN, '/standing?to=2026-08');
    expect(await screen.findByText('This could not be drawn.')).toBeVisible();
    expect(await strip()).toBeVisible();
    await userEvent.click(screen.getByRole('link', { name: 'Intake' }));
    expect(await screen.findByRole('button', { name: 'Choose a file' })).toBeVisible();
    expect(screen.queryByText('This could not be drawn.')).toBeNull();
  });
});

describe('the month strip', () => {
  it('says state and figures of every month in words', async () => {
    open('/standing?to=2026-08');
    const months = await within(await strip()).findAllByRole('button', { name: /2026,/ });
    expect(months.map((month) => month.getAttribute('aria-label'))).toEqual([
      'Jul 2026, closed, no goal',
      'Aug 2026, open, 120.0 % of goal, well past',
      'Sep 2026, open, 90.0 % of goal, near',
      'Oct 2026, empty',
    ]);
    expect(months.map((month) => month.getAttribute('aria-pressed'))).toEqual([
      'false',
      'true',
      'false',
      'false',
    ]);
  });

  it('chooses a month by a click, all months up to another by Shift', async () => {
    open('/standing?to=2026-08&asof=2026-08-12');
    const september = await screen.findByRole('button', { name: /^Sep 2026/ });
    await userEvent.click(september);
    expect(address()).toBe('?to=2026-09');
    fireEvent.click(screen.getByRole('button', { name: /^Jul 2026/ }), { shiftKey: true });
    expect(address()).toBe('?span=range&from=2026-07&to=2026-09');
  });

  it('takes a stretch that is dragged, in either direction', async () => {
    open('/standing?to=2026-10');
    fireEvent.pointerDown(await screen.findByRole('button', { name: /^Sep 2026/ }));
    fireEvent.pointerUp(screen.getByRole('button', { name: /^Jul 2026/ }));
    await waitFor(() => expect(address()).toBe('?span=range&from=2026-07&to=2026-09'));
  });

  it('goes a fiscal year back, keeping the kind of span', async () => {
    open('/standing?to=2026-08&span=y');
    await userEvent.click(await screen.findByRole('button', { name: 'Go to FY 2026' }));
    expect(address()).toBe('?span=y&to=2025-08');
    await userEvent.click(screen.getByRole('button', { name: 'Last 12 months (key T)' }));
    expect(address()).toBe('?span=t&to=2025-08');
  });
});

describe('the keys', () => {
  it('move the month, the span and the desk', async () => {
    open('/standing?to=2026-08&sort=name');
    await strip();
    await userEvent.keyboard('[[');
    expect(address()).toBe('?sort=name&to=2026-07');
    await userEvent.keyboard(']');
    await userEvent.keyboard('q');
    expect(address()).toBe('?sort=name&span=q&to=2026-08');
    await userEvent.keyboard('4');
    await waitFor(() => expect(address()).toBe('?span=q&to=2026-08'));
    expect(screen.getByRole('link', { name: 'Earnings' })).toHaveAttribute('aria-current', 'page');
  });

  it('leave a field alone in which they are typed', async () => {
    open('/standing?to=2026-08');
    await strip();
    await userEvent.keyboard('/');
    expect(screen.getByRole('combobox', { name: /^Find a rep/ })).toHaveFocus();
    await userEvent.keyboard('q1');
    expect(screen.getByRole('combobox', { name: /^Find a rep/ })).toHaveValue('q1');
    expect(address()).toBe('?to=2026-08');
  });

  it('are listed by ? with the words and marks, and the help closes by Escape', async () => {
    open('/standing?to=2026-08');
    await strip();
    await userEvent.keyboard('?');
    const help = await screen.findByRole('dialog', { name: 'Words, marks and keys' });
    expect(within(help).getByText('Next row')).toBeVisible();
    expect(within(help).getByText('Actual divided by goal, also called attainment.')).toBeVisible();
    expect(within(help).getByText('The dot is below the line')).toBeVisible();
    await userEvent.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  it('are switched off and on in the help, which has a button too', async () => {
    open('/standing?to=2026-08');
    await strip();
    await userEvent.click(screen.getByRole('button', { name: /^Help/ }));
    const act = await screen.findByRole('checkbox', { name: /^Single keys act/ });
    await userEvent.click(act);
    await waitFor(() => expect(act).not.toBeChecked());
    await userEvent.click(screen.getByRole('button', { name: 'Close help' }));
    await userEvent.keyboard('[[');
    expect(address()).toBe('?to=2026-08');
    await userEvent.click(screen.getByRole('button', { name: /^Help/ }));
    const again = await screen.findByRole('checkbox', { name: /^Single keys act/ });
    await userEvent.click(again);
    await waitFor(() => expect(again).toBeChecked());
    await userEvent.click(screen.getByRole('button', { name: 'Close help' }));
    await userEvent.keyboard('[[');
    expect(address()).toBe('?to=2026-07');
  });
});

describe('keys of the own account', () => {
  it('take the place of the usual ones', async () => {
    serve({
      ...answers(ANALYST),
      '/session/preferences': { mail: null, keysOn: true, keys: { previousMonth: '<' } },
    });
    showAt(SIGNED_IN, '/standing?to=2026-08');
    await strip();
    await userEvent.keyboard('[[');
    await userEvent.keyboard('<');
    expect(address()).toBe('?to=2026-07');
    await userEvent.keyboard('?');
    const help = await screen.findByRole('dialog');
    expect(within(help).getByText('Previous month').previousSibling).toHaveTextContent('<');
  });
});

describe('a file dropped anywhere', () => {
  const drag = (kind: string, files: File[]) => {
    const event = new Event(kind, { bubbles: true, cancelable: true });
    Object.assign(event, { dataTransfer: { types: files.length > 0 ? ['Files'] : [], files } });
    fireEvent(window, event);
    return event;
  };
  const FILE = new File(['rep,name\n'], 'roster.csv');

  it('is shown where it goes, and taken to Intake with the span', async () => {
    open('/standing?to=2026-08&sort=name');
    await strip();
    expect(drag('dragover', [FILE]).defaultPrevented).toBe(true);
    expect(await screen.findByText('Drop the file to stage it')).toBeVisible();
    drag('drop', [FILE]);
    await waitFor(() => expect(address()).toBe('?to=2026-08'));
    expect(screen.queryByText('Drop the file to stage it')).toBeNull();
    expect(screen.getByRole('link', { name: 'Intake' })).toHaveAttribute('aria-current', 'page');
  });

  it('is left to the browser where it is text, or the account may not load', async () => {
    open('/standing?to=2026-08', { ...ANALYST, role: 'approver' });
    await strip();
    expect(drag('dragover', [FILE]).defaultPrevented).toBe(false);
    expect(drag('drop', [FILE]).defaultPrevented).toBe(false);
    expect(screen.queryByText('Drop the file to stage it')).toBeNull();
  });
});
