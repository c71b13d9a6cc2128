import type { Issue, Result } from '../../../core/result';
import { notify } from '../../../application/stores/notices';

/** Says why a change was refused; true where it was taken. */
export const said = (result: Result<unknown, Issue>): boolean => {
  if (!result.ok) notify('error', `${result.issue.message} Nothing was changed.`);
  return result.ok;
};
