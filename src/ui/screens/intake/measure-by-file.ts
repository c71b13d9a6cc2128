import { readMovement } from '../../../application/movement/movement-files';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/intake';

/** Measures the open session by a movement from a file, and says so. */
export async function measureByFile(file: File): Promise<void> {
  const result = await readMovement(file);
  notify(
    result.ok ? 'info' : 'error',
    result.ok
      ? TEXT.sessionIsMeasuredByName(result.value.name, result.value.moments.length, result.value.measures.length)
      : TEXT.messageMovementStaysAsIt(result.issue.message),
  );
}
