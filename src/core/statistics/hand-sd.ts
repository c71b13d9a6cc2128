/** A place set by hand: about a pixel and a half on a picture enlarged for the purpose (common practice). */
export const HAND_SD_PIXELS = 1.5;
