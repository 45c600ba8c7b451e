import { useQuery } from '@tanstack/react-query';
import { ask } from './client';
import type { Preferences } from './types';
import { asJson, useChange } from './useChange';

/** What whoever is signed in has set for the own account. */
export const usePreferences = () =>
  useQuery({
    queryKey: ['preferences'],
    queryFn: () => ask<Preferences>('/session/preferences'),
  });

export const useKeepPreferences = () =>
  useChange(
    (wanted: Preferences) => ask<Preferences>('/session/preferences', asJson('PUT', wanted)),
    'preferences',
  );
