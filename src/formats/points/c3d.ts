import type { PointFormat } from './point-format';
import { readFile } from './read-c3d';
import { writeC3d } from './write-c3d';
import { SIGNATURE } from './c3d-layout';

/** Binary marker recordings of motion laboratories (.c3d): integers and floats, Intel, DEC and MIPS byte orders. */
export const c3d: PointFormat = {
  id: 'c3d',
  name: 'C3D',
  extensions: ['c3d'],
  sniff: (head) => head.charCodeAt(1) === SIGNATURE && head.charCodeAt(0) < 64,
  read: readFile,
  write: (recording) => writeC3d(recording, { order: 'intel', storage: 'float' }),
};
