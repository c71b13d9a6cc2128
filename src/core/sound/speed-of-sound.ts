/** Speed of sound in dry air at 20 degrees Celsius, metres a second (ISO 9613-1: 343.2). */
const SPEED_OF_SOUND = 343.2;

/** How long sound is on its way, seconds; 2.9 ms a metre. A degree more or less changes it by 0.2 %. */
export const soundDelay = (metres: number): number => metres / SPEED_OF_SOUND;
