import * as tf from '@tensorflow/tfjs-core';
import { setWasmPaths } from '@tensorflow/tfjs-backend-wasm';
import { loadGraphModel, type GraphModel } from '@tensorflow/tfjs-converter';
import type { BodyPoint } from '../core/anatomy/body-points';
import type { DetectedPoints } from '../core/tracks/track';

/** Points in the order of the model's output. */
const OUTPUT: readonly BodyPoint[] = [
  'nose',
  'left-eye',
  'right-eye',
  'left-ear',
  'right-ear',
  'left-shoulder',
  'right-shoulder',
  'left-elbow',
  'right-elbow',
  'left-wrist',
  'right-wrist',
  'left-hip',
  'right-hip',
  'left-knee',
  'right-knee',
  'left-ankle',
  'right-ankle',
];

/** The model's score at which a point counts as wholly sure. */
const SURE_SCORE = 0.6;

/**
 * A second opinion on the body's joints, from another network with other errors: no feet and no hands, but finer
 * joints.
 */
export class SecondDetector {
  private constructor(
    private readonly model: GraphModel,
    /** Side of the square picture that the model takes, pixels. */
    readonly side: number,
  ) {}

  static async load(modelAddress: string, wasmAddress: string): Promise<SecondDetector> {
    // Frames are shared out among workers already; threads of its own would need blob workers.
    tf.env().set('WASM_HAS_MULTITHREAD_SUPPORT', false);
    setWasmPaths(`${wasmAddress}/`);
    await tf.setBackend('wasm');
    await tf.ready();
    const model = await loadGraphModel(modelAddress);
    return new SecondDetector(model, model.inputs[0]!.shape![1]!);
  }

  /**
   * Finds the joints of the person who fills a picture.
   * @param picture square, as large as the model takes it, RGBA
   * @returns positions in pixels of that picture
   */
  async find(picture: ImageData): Promise<DetectedPoints> {
    const { side } = this;
    const input = tf.tidy(() =>
      tf.expandDims(
        tf.slice(tf.tensor3d(new Int32Array(picture.data), [side, side, 4], 'int32'), [0, 0, 0], [side, side, 3]),
        0,
      ),
    );
    const output = this.model.execute(input) as tf.Tensor;
    const values = await output.data();
    input.dispose();
    output.dispose();
    return Object.fromEntries(
      OUTPUT.map((id, k) => [
        id,
        {
          x: values[3 * k + 1]! * side,
          y: values[3 * k]! * side,
          confidence: Math.min(1, values[3 * k + 2]! / SURE_SCORE),
        },
      ]),
    );
  }
}
