import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ANALYST, clean, Refused, serve, showAt } from '../test/desk';
import { AccountContext, rightsOf, useAccount, type Account, type Session } from '../api/account';
import { AccountPage } from './AccountPage';
import { Administration } from './Administration';
import { SessionGate } from './SessionGate';

afterEach(clean);

const NOBODY: Session = { account: null, isFirst: false, demo: [] };

function Inside() {
  return <p>inside as {useAccount().name}</p>;
}

const gate = (
  <SessionGate>
    <Inside />
  </SessionGate>
);

describe('the gate', () => {
  it('lets somebody in who is signed in', async () => {
    serve({ '/session': { ...NOBODY, account: ANALYST } });
    showAt(gate, '/');
    expect(await screen.findByText('inside as Ada')).toBeInTheDocument();
  });

  it('asks for name and password, and says what was wrong', async () => {
    const answers: Record<string, unknown> = { '/session': NOBODY };
    const asked = serve(answers);
    showAt(gate, '/');
    await userEvent.type(await screen.findByLabelText('Name'), 'Ada');
    await userEvent.type(screen.getByLabelText('Password'), 'not mine');
    answers['/session'] = new Refused(401, 'Name or password is wrong.');
    await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Name or password is wrong.');
    expect(screen.getByLabelText('Name')).toHaveValue('Ada');
    answers['/session'] = { ...NOBODY, account: ANALYST };
    await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    expect(await screen.findByText('inside as Ada')).toBeInTheDocument();
    expect(asked.filter((one) => one.method === 'POST').map((one) => one.body)).toEqual([
      { name: 'Ada', password: 'not mine' },
      { name: 'Ada', password: 'not mine' },
    ]);
  });

  it('offers the accounts of the demo', async () => {
    const demo = [{ name: 'rep', role: 'rep' as const, password: 'p', what: 'own rows' }];
    const answers: Record<string, unknown> = { '/session': { ...NOBODY, demo } };
    const asked = serve(answers);
    showAt(gate, '/');
    await userEvent.click(await screen.findByRole('button', { name: 'rep: own rows' }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === 'POST')?.body).toEqual({
        name: 'rep',
        password: 'p',
      }),
    );
  });

  it('makes the first account with the code from the console', async () => {
    const asked = serve({
      '/session': { ...NOBODY, isFirst: true },
      '/session/first': { ...NOBODY, account: ANALYST },
    });
    showAt(gate, '/');
    await userEvent.type(await screen.findByLabelText('Code'), 'abcd-efgh');
    await userEvent.type(screen.getByLabelText('Name'), 'Ada');
    await userEvent.type(screen.getByLabelText(/^Password/), 'a long one of mine');
    await userEvent.click(screen.getByRole('button', { name: 'Create the first account' }));
    expect(await screen.findByText('inside as Ada')).toBeInTheDocument();
    expect(asked.at(-1)?.body).toMatchObject({ code: 'abcd-efgh', name: 'Ada' });
  });

  it('has a password changed that somebody else gave', async () => {
    const asked = serve({
      '/session': { ...NOBODY, account: { ...ANALYST, mustChange: true } },
      '/session/password': { ...NOBODY, account: ANALYST },
    });
    showAt(gate, '/');
    await userEvent.type(await screen.findByLabelText('Current password'), 'given');
    await userEvent.type(screen.getByLabelText(/^New password \(/), 'a long one of mine');
    await userEvent.type(screen.getByLabelText('Repeat the new password'), 'a long one of min');
    expect(screen.getByRole('alert')).toHaveTextContent('differ');
    expect(screen.getByRole('button', { name: 'Change password' })).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Repeat the new password'), 'e');
    await userEvent.click(screen.getByRole('button', { name: 'Change password' }));
    expect(await screen.findByText('inside as Ada')).toBeInTheDocument();
    expect(asked.at(-1)?.body).toEqual({ now: 'given', next: 'a long one of mine' });
  });
});

describe('administration', () => {
  const REP: Account = {
    ...ANALYST,
    id: 2,
    name: 'Bo',
    role: 'rep',
    member: 'K1',
    memberName: 'Kit Sorrel',
    isAdministrator: false,
  };

  it('makes an account and shows its password once', async () => {
    const asked = serve({ '/accounts': [ANALYST, REP], '/backups': [] });
    showAt(<Administration />, '/accounts');
    const row = (await screen.findByText('Bo')).closest('tr') as HTMLElement;
    expect(row).toHaveTextContent('Kit Sorrel K1');
    serve({
      '/backups': [],
      '/accounts': [ANALYST, REP],
      'POST /accounts': { account: { ...REP, name: 'Cy' }, password: 'aaaa-bbbb' },
    });
    const form = within(screen.getByRole('form', { name: 'New account' }));
    await userEvent.type(form.getByLabelText('Name'), 'Cy');
    await userEvent.type(form.getByLabelText(/^ID of the rep/), 'K2');
    await userEvent.click(form.getByRole('button', { name: 'Create account' }));
    expect(await screen.findByText('aaaa-bbbb')).toBeInTheDocument();
    expect(asked.length).toBeGreaterThan(0);
  });

  it('closes an account as it was looked at, and says what changed meanwhile', async () => {
    serve({ '/accounts': [ANALYST, REP], '/backups': [] });
    showAt(<Administration />, '/accounts');
    const close = await screen.findByRole('button', { name: 'Deactivate the account of Bo' });
    const asked = serve({
      '/backups': [],
      '/accounts/2': new Refused(409, 'It was changed meanwhile.'),
    });
    await userEvent.click(close);
    expect(await screen.findByRole('alert')).toHaveTextContent('changed meanwhile');
    expect(asked[0]?.body).toMatchObject({ id: 2, isDisabled: true, version: 3 });
  });

  it('changes a role and whom of the roster it is, keeping the rest', async () => {
    serve({ '/accounts': [ANALYST, REP], '/backups': [] });
    showAt(<Administration />, '/accounts');
    await userEvent.click(await screen.findByRole('button', { name: 'Change role of Bo' }));
    const form = within(screen.getByRole('form', { name: 'Role of Bo' }));
    expect(form.getByLabelText(/^ID of the rep/)).toHaveValue('K1');
    await userEvent.selectOptions(form.getByLabelText('Role'), 'manager');
    const tie = form.getByLabelText('Manager as on the roster');
    await userEvent.clear(tie);
    const asked = serve({
      '/accounts': [ANALYST, { ...REP, role: 'manager', member: 'Tull', memberName: 'Tull' }],
      '/backups': [],
      '/members': [{ axis: 'manager', key: 'Tull', name: 'Tull' }],
      '/accounts/2': new Refused(409, 'It was changed meanwhile.'),
    });
    await userEvent.type(tie, 'Tull');
    await userEvent.click(form.getByRole('button', { name: 'Change role' }));
    expect(await form.findByRole('alert')).toHaveTextContent('changed meanwhile');
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      id: 2,
      role: 'manager',
      member: 'Tull',
      version: 3,
      isAdministrator: false,
    });
    await userEvent.click(form.getByRole('button', { name: 'Cancel' }));
    expect(screen.queryByRole('form', { name: 'Role of Bo' })).not.toBeInTheDocument();
  });

  it('backs up, lists and offers the file', async () => {
    serve({ '/accounts': [ANALYST], '/backups': [] });
    showAt(<Administration />, '/accounts');
    await screen.findByText('There is no backup yet.');
    const made = { name: '2026-11-23.zip', madeAt: '2026-11-23T08:00:00Z', bytes: 2_400_000 };
    const asked = serve({ '/accounts': [ANALYST], '/backups': [made], 'POST /backups': made });
    await userEvent.click(screen.getByRole('button', { name: 'Back up now' }));
    const link = await screen.findByRole('link', { name: '2026-11-23.zip' });
    expect(link).toHaveAttribute('href', '/api/v1/backups/2026-11-23.zip');
    expect(screen.getByText(/^2\.4 MB, 2026-11-23, \d\d:00$/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Export all data' })).toHaveAttribute(
      'href',
      '/api/v1/company/export',
    );
    expect(asked[0]?.method).toBe('POST');
  });

  it('an approver is not tied to the roster', async () => {
    serve({ '/accounts': [], '/backups': [] });
    showAt(<Administration />, '/accounts');
    const form = within(await screen.findByRole('form', { name: 'New account' }));
    await userEvent.selectOptions(form.getByLabelText('Role'), 'approver');
    expect(form.queryByLabelText(/roster/)).toBeNull();
  });
});

describe('the own account', () => {
  beforeEach(() => {
    serve({
      '/tokens': [{ id: 4, name: 'nightly', scope: 'load', madeAt: '2026-11-01T00:00:00Z' }],
    });
  });

  it('lists tokens and revokes them', async () => {
    showAt(
      <AccountContext.Provider value={ANALYST}>
        <AccountPage />
      </AccountContext.Provider>,
      '/account',
    );
    expect(await screen.findByText(/reads and loads, since 2026-11-01/)).toBeInTheDocument();
    const asked = serve({ '/tokens': [] });
    await userEvent.click(screen.getByRole('button', { name: 'Revoke nightly' }));
    expect(await screen.findByText('There is no token yet.')).toBeInTheDocument();
    expect(asked[0]).toMatchObject({ method: 'DELETE', path: '/api/v1/tokens/4' });
  });

  it('shows a new token once', async () => {
    showAt(<AccountPage />, '/account');
    await userEvent.type(await screen.findByLabelText('Purpose'), 'reports');
    serve({ '/tokens': [], 'POST /tokens': { token: { id: 5 }, text: 'zt_secret' } });
    await userEvent.click(screen.getByRole('button', { name: 'Create token' }));
    expect(await screen.findByText('zt_secret')).toBeInTheDocument();
  });
});

it('rights follow the role', () => {
  expect(rightsOf(ANALYST)).toMatchObject({ isOffice: true, mayLoad: true, mayReopen: false });
  expect(rightsOf({ ...ANALYST, role: 'approver' })).toMatchObject({
    mayLoad: false,
    mayReopen: true,
  });
  expect(rightsOf({ ...ANALYST, role: 'manager' })).toMatchObject({
    isOffice: false,
    mayExplain: true,
  });
  expect(rightsOf({ ...ANALYST, role: 'rep' })).toMatchObject({ mayExplain: false, isRep: true });
});
