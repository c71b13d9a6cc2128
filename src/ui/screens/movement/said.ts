import type { Issue, Result } from '../../../core/result';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/movement';

/** Says why a change was refused; true where it was taken. */
export const said = (result: Result<unknown, Issue>): boolean => {
  if (!result.ok) notify('error', TEXT.messageNothingWasChanged(result.issue.message));
  return result.ok;
};
