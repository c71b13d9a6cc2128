/** A decoded, unrotated picture: as the decoder gave it, or already made ready for drawing. */
export type DecodedPicture = VideoFrame | ImageBitmap;
