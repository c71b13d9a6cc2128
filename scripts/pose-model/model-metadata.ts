import { offset, TableWriter, u32, u8 } from './table-writer';

/** How the runtime must scale pixel values before it feeds them to the network. */
export interface Normalisation {
  readonly mean: number;
  readonly std: number;
}

/** The ModelMetadata buffer (identifier M001) that states one image input, its normalisation, and the outputs. */
function metadataBuffer(normalisation: Normalisation, outputs: number): Buffer {
  const w = new TableWriter();
  const root = w.putOffset();
  w.putBytes(Buffer.from('M001'));
  const model = w.table([offset, null, null, offset, null, null, null, offset]);
  w.point(root, model.position);
  w.point(model.at[0]!, w.text('pose'));
  w.point(model.at[7]!, w.text('1.0.0'));
  const subgraphs = w.offsets(1);
  w.point(model.at[3]!, subgraphs.position);
  const subgraph = w.table([null, null, offset, offset]);
  w.point(subgraphs.at[0]!, subgraph.position);
  const inputs = w.offsets(1);
  w.point(subgraph.at[2]!, inputs.position);
  const input = w.table([offset, null, null, offset, offset]);
  w.point(inputs.at[0]!, input.position);
  w.point(input.at[0]!, w.text('image'));
  const content = w.table([u8(2), offset]);
  w.point(input.at[3]!, content.position);
  w.point(content.at[1]!, w.table([u8(1)]).position);
  const units = w.offsets(1);
  w.point(input.at[4]!, units.position);
  const unit = w.table([u8(1), offset]);
  w.point(units.at[0]!, unit.position);
  const options = w.table([offset, offset]);
  w.point(unit.at[1]!, options.position);
  [normalisation.mean, normalisation.std].forEach((value, i) => {
    w.align(4);
    w.point(options.at[i]!);
    w.putU32(1);
    w.putFloat(value);
  });
  const results = w.offsets(outputs);
  w.point(subgraph.at[3]!, results.position);
  for (let i = 0; i < outputs; i++) {
    const result = w.table([offset]);
    w.point(results.at[i]!, result.position);
    w.point(result.at[0]!, w.text(`output${i}`));
  }
  return w.finish();
}

/**
 * A .tflite file with normalisation metadata, which the runtime asks for and the shipped weights lack. A new root table
 * is put in front of the file; it points into the old one, whose bytes stay as they are.
 * Layout: TensorFlow Lite schema, table Model (version, operator_codes, subgraphs, description, buffers,
 * metadata_buffer, metadata).
 */
export function withMetadata(source: Buffer, normalisation: Normalisation): Buffer {
  const target = (at: number): number => at + source.readUInt32LE(at);
  const fieldOf = (table: number, index: number): number => {
    const virtual = table - source.readInt32LE(table);
    if (4 + 2 * index >= source.readUInt16LE(virtual)) return 0;
    const relative = source.readUInt16LE(virtual + 4 + 2 * index);
    return relative ? table + relative : 0;
  };
  const model = source.readUInt32LE(0);
  const buffers = target(fieldOf(model, 4));
  const bufferCount = source.readUInt32LE(buffers);
  const subgraphs = target(fieldOf(model, 2));
  const firstSubgraph = target(subgraphs + 4);
  const outputCount = source.readUInt32LE(target(fieldOf(firstSubgraph, 2)));
  const oldMetadata = fieldOf(model, 6) ? target(fieldOf(model, 6)) : 0;
  const metadataCount = oldMetadata ? source.readUInt32LE(oldMetadata) : 0;
  const description = fieldOf(model, 3);

  const w = new TableWriter();
  const root = w.putOffset();
  w.putBytes(Buffer.from('TFL3'));
  const fresh = w.table([
    u32(source.readUInt32LE(fieldOf(model, 0))),
    offset,
    offset,
    description ? offset : null,
    offset,
    null,
    offset,
  ]);
  w.point(root, fresh.position);
  const intoOld: [at: number, old: number][] = [
    [fresh.at[1]!, target(fieldOf(model, 1))],
    [fresh.at[2]!, subgraphs],
  ];
  if (description) intoOld.push([fresh.at[3]!, target(description)]);
  const allBuffers = w.offsets(bufferCount + 1);
  w.point(fresh.at[4]!, allBuffers.position);
  for (let i = 0; i < bufferCount; i++) intoOld.push([allBuffers.at[i]!, target(buffers + 4 + 4 * i)]);
  const allMetadata = w.offsets(metadataCount + 1);
  w.point(fresh.at[6]!, allMetadata.position);
  for (let i = 0; i < metadataCount; i++) intoOld.push([allMetadata.at[i]!, target(oldMetadata + 4 + 4 * i)]);
  const entry = w.table([offset, u32(bufferCount)]);
  w.point(allMetadata.at[metadataCount]!, entry.position);
  w.point(entry.at[0]!, w.text('TFLITE_METADATA'));
  const buffer = w.table([offset]);
  w.point(allBuffers.at[bufferCount]!, buffer.position);
  const metadata = metadataBuffer(normalisation, outputCount);
  w.align(16, 4);
  w.point(buffer.at[0]!);
  w.putU32(metadata.length);
  w.putBytes(metadata);
  w.align(16);
  for (const [at, old] of intoOld) w.point(at, w.position + old);
  return Buffer.concat([w.finish(), source]);
}
