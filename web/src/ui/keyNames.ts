import { KEY_ACTIONS, type KeyAction } from './shortcuts';
import { t } from './words';

/** What each single key does, as it is listed in the help and under Account. */
export const KEY_NAMES: [KeyAction, string][] = KEY_ACTIONS.map((action) => [
  action,
  t(`keyNames.${action}`),
]);
