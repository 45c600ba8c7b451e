import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { FollowUp } from '../../../../api/types';
import { clean, layOut, serve, showAt } from '../../../../test/desk';
import FollowUps from './FollowUps';

const VISIT: FollowUp = {
  id: 4,
  axis: 'rep',
  key: 'A',
  name: 'Ada',
  month: '2026-10',
  what: 'Visit Quay 4',
  who: 'Tull',
  due: '2026-11-20',
  doneBy: null,
};

beforeEach(layOut);
afterEach(clean);

describe('follow-ups', () => {
  it('are those of the row alone, marked as done, and added with who and until when', async () => {
    const asked = serve({
      '/follow-ups': [VISIT, { ...VISIT, id: 5, key: 'B', what: 'Another’s' }],
    });
    showAt(<FollowUps member={{ axis: 'rep', key: 'A' }} month="2026-10" />, '/standing');
    expect(await screen.findByText('Visit Quay 4')).toBeVisible();
    expect(screen.queryByText('Another’s')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Mark as done' }));
    await waitFor(() =>
      expect(asked.some(({ path }) => path.endsWith('/follow-ups/4?done=true'))).toBe(true),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Add follow-up' }));
    const form = within(screen.getByRole('form', { name: 'Add follow-up' }));
    await userEvent.type(form.getByLabelText('What will be done'), 'Call them');
    await userEvent.type(form.getByLabelText('By whom'), 'Ada');
    await userEvent.type(form.getByLabelText('Until when'), '2026-11-30');
    await userEvent.click(form.getByRole('button', { name: 'Add follow-up' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'POST')).toMatchObject({
        path: '/api/v1/notes/rep/A/2026-10/follow-ups',
        body: { what: 'Call them', who: 'Ada', due: '2026-11-30' },
      }),
    );
  });
});
