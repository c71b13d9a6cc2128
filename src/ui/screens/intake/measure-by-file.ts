import { readMovement } from '../../../application/movement/movement-files';
import { notify } from '../../../application/stores/notices';

/** Measures the open session by a movement from a file, and says so. */
export async function measureByFile(file: File): Promise<void> {
  const result = await readMovement(file);
  notify(
    result.ok ? 'info' : 'error',
    result.ok
      ? `The session is measured by \u201c${result.value.name}\u201d: ${result.value.moments.length} moments, ` +
          `${result.value.measures.length} measures.`
      : `${result.issue.message} The movement stays as it was.`,
  );
}
