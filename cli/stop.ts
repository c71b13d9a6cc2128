/** Exit codes: documented in docs/command-line.md. */
export const EXIT = { done: 0, fault: 1, usage: 2, badInput: 3, partly: 4, nothing: 5 } as const;

/** What is wrong, in one line, with the exit code that it ends the command with. */
export class Stop extends Error {
  constructor(
    readonly code: number,
    message: string,
  ) {
    super(message);
  }
}
