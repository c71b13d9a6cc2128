import { athleteSchema } from '../../core/model/athlete';
import { BlobReader, BlobWriter, TextReader, ZipWriter } from '@zip.js/zip.js';
import { readBackup, writeBackup } from './backup';

const athlete = (id: string, name: string) =>
  athleteSchema.parse({ id, name, dominantSide: 'left', segmentTable: 'female', updatedAt: '2026-01-01' });
async function* sessions() {
  await Promise.resolve();
  yield { name: 'Nets', archive: new Blob(['first']) };
  yield { name: 'Nets/2', archive: new Blob(['second']) };
}
const fileOf = (blob: Blob): File => new File([blob], 'backup.zip');

it('a backup holds sessions and athletes, and gives them back as they were', async () => {
  const athletes = [athlete('name:kip', 'Kip'), athlete('k2', 'Kip')];
  const written = await writeBackup(sessions(), athletes, '2026-02-01T00:00:00Z');
  if (!written.ok) throw new Error(written.issue.message);
  const read = (await readBackup(fileOf(written.value)))!;
  expect(read.athletes).toEqual(athletes);
  expect(read.sessions.map(({ fileName }) => fileName)).toEqual(['1 Nets.falcon.zip', '2 Nets_2.falcon.zip']);
  expect(await read.sessions[1]!.blob.text()).toBe('second');
  expect(read.damaged).toEqual([]);
});

it('one of before athletes had records has none; what is damaged in it is named and hides nothing else', async () => {
  const zipOf = async (athletes: string | null): Promise<File> => {
    const zip = new ZipWriter(new BlobWriter('application/zip'));
    await zip.add('backup.falcon.json', new TextReader('{}'));
    if (athletes !== null) await zip.add('athletes.json', new TextReader(athletes));
    await zip.add('sessions/1 Nets.falcon.zip', new BlobReader(new Blob(['first'])));
    return fileOf(await zip.close());
  };
  expect(await readBackup(await zipOf(null))).toMatchObject({ athletes: [], damaged: [], sessions: [{}] });
  const half = JSON.stringify([athlete('a', 'Ada'), { id: 'b' }]);
  expect(await readBackup(await zipOf(half))).toMatchObject({
    athletes: [{ id: 'a' }],
    damaged: ['1 records of athletes'],
    sessions: [{}],
  });
  const broken = (await readBackup(await zipOf('{')))!;
  expect(broken.athletes).toEqual([]);
  expect(broken.damaged[0]).toContain('athletes.json');
  expect(broken.sessions).toHaveLength(1);
});

it('another file is none', async () => {
  expect(await readBackup(new File(['no zip'], 'a.zip'))).toBeNull();
});
