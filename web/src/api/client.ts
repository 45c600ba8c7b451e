import { t } from '../format/words';

/** A refusal or failure of the server; branch on `code`, show `message`. */
export class ProblemError extends Error {
  readonly code: string;
  readonly status: number;
  /** Where in what was sent the fault is, such as `plans[0].floor`; null where none is named. */
  readonly place: string | null;
  /** What holds there, for the field itself: the message without the place. */
  readonly rule: string;

  constructor(code: string, status: number, message: string, place?: string, rule?: string) {
    super(message);
    this.place = place ?? null;
    this.rule = rule ? `${rule.charAt(0).toUpperCase()}${rule.slice(1)}.` : message;
    this.name = 'ProblemError';
    this.code = code;
    this.status = status;
  }
}

const ROOT = '/api/v1';

/** Told to the window when the server knows the session no more. */
export const SIGNED_OUT = 'signed-out';

/** Proves with a change that it comes from a page of this session. */
function withToken(init: RequestInit | undefined): RequestInit | undefined {
  if (!init?.method || init.method === 'GET') return init;
  const token = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1];
  if (!token) return init;
  const headers = new Headers(init.headers);
  headers.set('X-XSRF-TOKEN', decodeURIComponent(token));
  return { ...init, headers };
}

/** Asks the server; rejects with a ProblemError, also when it cannot be reached. */
export async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const answer = await answerOf(path, init);
  return (answer.status === 204 ? undefined : await answer.json()) as T;
}

/** The same with the state that was answered, to be named by a change of it. */
export async function askTagged<T>(path: string, init?: RequestInit): Promise<T & { tag: string }> {
  const answer = await answerOf(path, init);
  return { ...((await answer.json()) as T), tag: answer.headers.get('ETag') ?? '*' };
}

async function answerOf(path: string, init?: RequestInit): Promise<Response> {
  let answer: Response;
  try {
    answer = await fetch(ROOT + path, withToken(init));
  } catch {
    throw new ProblemError('unreachable', 0, t('client.theServerDoesNotAnswer'));
  }
  if (!answer.ok) {
    const problem = await problemOf(answer);
    if (problem.code === 'sign-in-needed') window.dispatchEvent(new Event(SIGNED_OUT));
    throw problem;
  }
  return answer;
}

async function problemOf(answer: Response): Promise<ProblemError> {
  const body: unknown = await answer.json().catch(() => null);
  const { code, detail, place, rule } = (body ?? {}) as {
    code?: string;
    detail?: string;
    place?: string;
    rule?: string;
  };
  return new ProblemError(
    code ?? 'internal',
    answer.status,
    detail ?? t('client.theServerAnsweredWithStatus', { status: answer.status }),
    place,
    rule,
  );
}

/** A query string of the values that are set; lists repeat their name. */
export function query(values: Record<string, string | string[] | undefined>): string {
  const parts = new URLSearchParams();
  for (const [name, value] of Object.entries(values)) {
    for (const one of Array.isArray(value) ? value : [value]) {
      if (one) parts.append(name, one);
    }
  }
  const text = parts.toString();
  return text ? `?${text}` : '';
}
