import { copyFile, mkdir, readFile, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';
import { withMetadata } from './pose-model/model-metadata';
import { MOVENET_FILES, MOVENET_WEIGHTS, POSE_WEIGHTS, takeWeights } from './weights-packages';

/**
 * Makes what the pose finder loads at run time from the installed packages: model bundles (detector and landmark
 * network in one stored zip) and the WebAssembly runtime.
 */
/** The runtime reads files that are stored as they are, with their sizes before them; the day keeps the bytes the same. */
const STORED = { level: 0, dataDescriptor: false, extendedTimestamp: false, lastModDate: new Date(2000, 0, 1) };

const root = path.join(import.meta.dirname, '..');
const runtime = path.join(root, 'node_modules/@mediapipe/tasks-vision/wasm');
const models = path.join(root, 'public/models');
const wasm = path.join(root, 'public/wasm');

const exists = (file: string): Promise<boolean> =>
  stat(file).then(
    () => true,
    () => false,
  );

const weights = takeWeights(POSE_WEIGHTS);
await mkdir(models, { recursive: true });
await mkdir(wasm, { recursive: true });
const detector = withMetadata(await readFile(path.join(weights, 'pose_solution_packed_assets.data')), {
  mean: 127.5,
  std: 127.5,
});
for (const size of ['full', 'heavy']) {
  const file = path.join(models, `pose-${size}.task`);
  if (await exists(file)) continue;
  const landmarks = withMetadata(await readFile(path.join(weights, `pose_landmark_${size}.tflite`)), {
    mean: 0,
    std: 255,
  });
  const bundle = new ZipWriter(new Uint8ArrayWriter(), STORED);
  await bundle.add('pose_detector.tflite', new Uint8ArrayReader(detector));
  await bundle.add('pose_landmarks_detector.tflite', new Uint8ArrayReader(landmarks));
  await writeFile(file, await bundle.close());
}
for (const file of ['vision_wasm_module_internal.js', 'vision_wasm_module_internal.wasm']) {
  if (!(await exists(path.join(wasm, file)))) await copyFile(path.join(runtime, file), path.join(wasm, file));
}
const secondFinder = path.join(takeWeights(MOVENET_WEIGHTS), 'models');
for (const file of MOVENET_FILES) {
  if (!(await exists(path.join(models, file)))) await copyFile(path.join(secondFinder, file), path.join(models, file));
}
const secondRuntime = path.join(root, 'node_modules/@tensorflow/tfjs-backend-wasm/dist');
for (const file of ['tfjs-backend-wasm.wasm', 'tfjs-backend-wasm-simd.wasm']) {
  if (!(await exists(path.join(wasm, file)))) await copyFile(path.join(secondRuntime, file), path.join(wasm, file));
}
