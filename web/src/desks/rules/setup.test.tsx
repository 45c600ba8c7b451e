import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Rules } from '../../api/types';
import { clean, layOut, Refused, serve, showAt } from '../../test/desk';
import { COMPANY, CLOSING } from '../../test/samples';
import { RulesDesk } from './RulesDesk';
import { SetupPage } from './SetupPage';

const RULES: Rules = {
  company: { name: 'Saltmarsh Chandlery' },
  calendar: { startMonth: 7, yearNamedBy: 'end', holidays: ['2026-12-25'] },
  measures: [
    { code: 'revenue', unit: 'EUR', scale: 2, direction: 'HIGHER' },
    { code: 'returnRate', name: 'Returns', direction: 'LOWER', quotient: ['returns', 'revenue'] },
  ],
  plans: [],
  assignments: [],
  shading: [],
  stretches: [],
  stages: [],
  closing: CLOSING,
  ladders: [],
  approval: { goals: false, plans: false, ladders: false },
  credits: [],
};

function show(answers: Record<string, unknown> = {}) {
  const asked = serve({ '/rules': RULES, ...answers });
  showAt(<RulesDesk company={COMPANY} />, '/rules?show=company');
  return () => asked.filter(({ method }) => method === 'PUT').map(({ body }) => body);
}

const form = async (name: string) => within(await screen.findByRole('form', { name }));

beforeEach(layOut);
afterEach(clean);

describe('the fiscal calendar', () => {
  it('is saved with its first month, its name and its holidays', async () => {
    const sent = show();
    const calendar = await form('Fiscal calendar');
    await userEvent.selectOptions(calendar.getByLabelText('Fiscal year starts in'), 'January');
    await userEvent.selectOptions(calendar.getByLabelText(/named after/), 'start');
    await userEvent.type(
      calendar.getByLabelText('Holidays as a list'),
      '{Enter}2027-01-01, 2027-05-01',
    );
    await userEvent.click(calendar.getByRole('button', { name: 'Save calendar' }));
    await waitFor(() =>
      expect(sent()).toEqual([
        {
          calendar: {
            startMonth: 1,
            yearNamedBy: 'start',
            holidays: ['2026-12-25', '2027-01-01', '2027-05-01'],
          },
        },
      ]),
    );
  });

  it('is clicked day by day, by keyboard too, and says how many working days are left', async () => {
    const sent = show();
    const calendar = await form('Fiscal calendar');
    const december = within(calendar.getByRole('region', { name: 'December 2026' }));
    expect(december.getByText('22 working days')).toBeVisible();
    const christmas = december.getByRole('button', { name: '25 December 2026, holiday' });
    expect(christmas).toHaveAttribute('aria-pressed', 'true');
    await userEvent.click(christmas);
    expect(december.getByText('23 working days')).toBeVisible();
    await userEvent.keyboard('{ArrowDown}');
    const last = calendar.getByRole('button', { name: '1 January 2027, holiday' });
    await waitFor(() => expect(last).toHaveFocus());
    await userEvent.keyboard(' ');
    expect(last).toHaveAttribute('aria-pressed', 'true');
    await userEvent.click(calendar.getByRole('button', { name: 'A year later' }));
    expect(calendar.getByText('July 2027 to June 2028')).toBeVisible();
    await userEvent.click(calendar.getByRole('button', { name: 'Save calendar' }));
    await waitFor(() => expect(sent()).toMatchObject([{ calendar: { holidays: ['2027-01-01'] } }]));
  });

  it('takes the days of a calendar file beside those that are there, and saves nothing yet', async () => {
    const sent = show({
      '/rules/holidays': [
        { day: '2026-12-25', name: 'Winter feast' },
        { day: '2026-11-11', name: 'Harbour day' },
      ],
    });
    const calendar = await form('Fiscal calendar');
    await userEvent.upload(
      calendar.getByLabelText('Calendar file'),
      new File(['BEGIN:VCALENDAR'], 'days.ics', { type: 'text/calendar' }),
    );
    expect(await calendar.findByText(/^2 days found: 2026-12-25 Winter feast/)).toBeVisible();
    expect(calendar.getByLabelText('Holidays as a list')).toHaveValue('2026-11-11\n2026-12-25');
    expect(sent()).toEqual([]);
  });

  it('says what is wrong with a file or a day', async () => {
    show({
      '/rules/holidays': new Refused(400, 'This is not an iCalendar file.'),
      'PUT /rules': new Refused(400, 'It must be a day.', 'calendar.holidays[1]'),
    });
    const calendar = await form('Fiscal calendar');
    await userEvent.upload(
      calendar.getByLabelText('Calendar file'),
      new File(['day'], 'days.ics', { type: 'text/calendar' }),
    );
    expect(await calendar.findByText('This is not an iCalendar file.')).toBeVisible();
    await userEvent.type(calendar.getByLabelText('Holidays as a list'), '{Enter}soon');
    await userEvent.click(calendar.getByRole('button', { name: 'Save calendar' }));
    await waitFor(() => expect(calendar.getAllByRole('alert')).toHaveLength(2));
  });
});

describe('the measures', () => {
  it('get names, and new ones a code, a unit and a direction', async () => {
    const sent = show();
    const measures = await form('Measures');
    await userEvent.type(measures.getByLabelText('Name of revenue'), 'Net revenue');
    expect(measures.getByText('returns ÷ revenue')).toBeVisible();
    await userEvent.selectOptions(measures.getByLabelText('Actuals of revenue from'), 'won deals');
    await userEvent.click(measures.getByRole('button', { name: 'Add measure' }));
    await userEvent.type(measures.getByLabelText('Code of measure 3'), 'waste');
    await userEvent.clear(measures.getByLabelText('Unit of waste'));
    await userEvent.type(measures.getByLabelText('Unit of waste'), 'count');
    await userEvent.clear(measures.getByLabelText('Decimals of waste'));
    await userEvent.type(measures.getByLabelText('Decimals of waste'), '0');
    await userEvent.selectOptions(measures.getByLabelText('Better for waste is'), 'LOWER');
    await userEvent.click(measures.getByRole('button', { name: 'Save measures' }));
    await waitFor(() =>
      expect(sent()).toEqual([
        {
          measures: [
            {
              code: 'revenue',
              name: 'Net revenue',
              unit: 'EUR',
              scale: 2,
              direction: 'HIGHER',
              fedBy: 'won-deals',
            },
            {
              code: 'returnRate',
              name: 'Returns',
              direction: 'LOWER',
              quotient: ['returns', 'revenue'],
            },
            { code: 'waste', name: '', unit: 'count', scale: 0, direction: 'LOWER', fedBy: '' },
          ],
        },
      ]),
    );
  });
});

describe('what is wanted before a month is closed', () => {
  it('is saved as shares and codes, and set-up stands on a page of its own', async () => {
    const sent = show();
    const closing = await form('Closing a month');
    await userEvent.click(closing.getByLabelText('Briefing signed'));
    const misses = closing.getByLabelText(
      'A rep needs a reason when short of quota by more than, %',
    );
    await userEvent.clear(misses);
    await userEvent.type(misses, '12.5');
    await userEvent.type(
      closing.getByLabelText('E-mail addresses told about late files, separated by commas'),
      'ops@reef.example, ',
    );
    await userEvent.click(closing.getByRole('button', { name: 'Save closing rules' }));
    await waitFor(() =>
      expect(sent()).toEqual([
        {
          closing: {
            off: ['briefing'],
            missesAbove: '0.125',
            overPlanAbove: '0.04',
            dueDay: 5,
            requireChecked: false,
            tell: ['ops@reef.example'],
          },
        },
      ]),
    );
  });

  it('goes back to the field that the server refuses', async () => {
    show({ 'PUT /rules': new Refused(400, 'It must be a share.', 'closing.missesAbove') });
    const closing = await form('Closing a month');
    await userEvent.click(closing.getByRole('button', { name: 'Save closing rules' }));
    expect(await closing.findByRole('alert')).toHaveTextContent('It must be a share.');
  });
});

describe('the set-up of a new company', () => {
  it('asks for company, calendar and measures, then leads to the first file', async () => {
    serve({ '/rules': RULES });
    showAt(<SetupPage company={COMPANY} />, '/setup');
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      'Set up your company',
    );
    for (const part of ['Company', 'Fiscal calendar', 'Measures']) {
      expect(await screen.findByRole('form', { name: part })).toBeVisible();
    }
    expect(screen.getByRole('link', { name: 'Go on to the first file' })).toHaveAttribute(
      'href',
      '/intake',
    );
  });
});
