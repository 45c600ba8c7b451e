import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it } from 'vitest';
import { Tour } from './Tour';

beforeEach(() => localStorage.clear());

it('goes through the parts once, and never again', async () => {
  const { unmount } = render(<Tour />);
  expect(screen.getByRole('heading')).toHaveTextContent('The sentence on top');
  for (let at = 0; at < 4; at++) {
    await userEvent.click(screen.getByRole('button', { name: 'Next part' }));
  }
  expect(screen.getByText('Part 5 of 5')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'End the tour' }));
  expect(screen.queryByRole('complementary')).toBeNull();
  unmount();
  render(<Tour />);
  expect(screen.queryByRole('complementary')).toBeNull();
});

it('is skipped at any part', async () => {
  render(<Tour />);
  await userEvent.click(screen.getByRole('button', { name: 'Skip the tour' }));
  expect(screen.queryByRole('complementary')).toBeNull();
});
