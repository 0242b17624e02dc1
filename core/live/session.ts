/** The evening as it really goes: which tasks were done, and when. A list of entries, nothing derived. */
export interface Session {
  readonly version: 1;
  /** The dinner and plan it belongs to. */
  readonly planKey: string;
  /** Tasks in the order in which they were done; `at` in milliseconds since 1970. */
  readonly done: readonly { readonly task: string; readonly at: number }[];
}

export type SessionAction =
  | { readonly type: 'begin'; readonly planKey: string; readonly done?: Session['done'] }
  | { readonly type: 'done'; readonly task: string; readonly at: number }
  | { readonly type: 'undo' };

export const NO_SESSION: Session = { version: 1, planKey: '', done: [] };

/** The session after an action; the one before stays as it was. */
export function reduceSession(session: Session, action: SessionAction): Session {
  switch (action.type) {
    case 'begin':
      return { version: 1, planKey: action.planKey, done: action.done ?? [] };
    case 'done':
      if (session.done.some((entry) => entry.task === action.task)) return session;
      return { ...session, done: [...session.done, { task: action.task, at: action.at }] };
    case 'undo':
      return session.done.length === 0 ? session : { ...session, done: session.done.slice(0, -1) };
    default: {
      const never: never = action;
      return never;
    }
  }
}
