/** Containers that cameras write. Playlists and anything else that names other files stay out. */
const FORMATS = 'mov,mp4,m4a,3gp,3g2,mj2,avi,matroska,webm,mpegts,mpeg,flv,asf,mxf,ogg,dv,h264,hevc';

export const INPUT = ['-protocol_whitelist', 'file,pipe', '-format_whitelist', FORMATS];

/** Keeps every frame and its time, and makes short groups so that any frame is reached quickly; the sound as it is. */
export const OUTPUT = [
  '-map',
  '0:v:0',
  '-map',
  '0:a:0?',
  '-sn',
  '-dn',
  '-fps_mode',
  'passthrough',
  '-c:v',
  'libx264',
  '-preset',
  'veryfast',
  '-crf',
  '18',
  '-g',
  '12',
  '-bf',
  '0',
  '-pix_fmt',
  'yuv420p',
  '-c:a',
  'aac',
  '-b:a',
  '128k',
  '-movflags',
  '+faststart',
];

/** The coding takes even sides only: an odd one gets a black line. */
const EVEN = 'pad=ceil(iw/2)*2:ceil(ih/2)*2';

/** Each field becomes a whole picture at its own time, in the order in which they were taken. */
const FIELDS = 'bwdif=mode=send_field:parity=auto:deint=all';

/** What ffprobe says of a picture whose lines were taken at two times (`field_order`). */
export const INTERLACED: readonly (string | undefined)[] = ['tt', 'bb', 'tb', 'bt'];

/** How pictures are made of what is coded; times stay those of the file, or of its fields. */
export const picturesOf = (interlaced: boolean): readonly string[] =>
  interlaced ? ['-vf', `${FIELDS},${EVEN}`] : ['-vf', EVEN, '-enc_time_base', '-1'];
