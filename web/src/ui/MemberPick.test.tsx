import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { expect, it } from 'vitest';
import { MemberPick } from './MemberPick';

const PEOPLE = Array.from({ length: 10000 }, (_, at) => ({
  key: `R${at}`,
  name: at === 7421 ? 'Tilda Voss' : `Rep number ${at}`,
}));

function Form() {
  const [rep, setRep] = useState('');
  return (
    <>
      <MemberPick label="Rep" value={rep} people={PEOPLE} onPick={setRep} />
      <output>{rep}</output>
    </>
  );
}

it('finds one of 10 000 by a part of the name, and says how many more fit', async () => {
  render(<Form />);
  const input = screen.getByRole('combobox', { name: 'Rep' });
  await userEvent.click(input);
  expect(screen.getAllByRole('option')).toHaveLength(50);
  expect(screen.getByText('9 950 more. Type more of the name.')).toBeInTheDocument();
  await userEvent.type(input, 'voss');
  await userEvent.click(screen.getByRole('option', { name: /Tilda Voss/ }));
  expect(screen.getByRole('status')).toHaveTextContent('R7421');
  expect(input).toHaveValue('Tilda Voss');
});

it('chooses by keyboard, and says where nobody fits', async () => {
  render(<Form />);
  const input = screen.getByRole('combobox', { name: 'Rep' });
  await userEvent.type(input, 'R12{ArrowDown}{Enter}');
  expect(screen.getByRole('status').textContent).toMatch(/^R\d*12/);
  await userEvent.clear(input);
  await userEvent.type(input, 'nobody of that name');
  expect(screen.getByText('No match')).toBeInTheDocument();
});
