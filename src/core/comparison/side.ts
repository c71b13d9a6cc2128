import { differenceOf, evaluateMeasure, kindOf, needsSpace } from '../measures';
import type { Measure } from '../model/measure';
import { performerKey } from '../model/performer';
import { cameraRefusal } from '../trial/camera-refusal';
import { viewRefusal } from '../calibration/view';
import type { Trial } from '../trial/trial';
import { notMeasurable, ownSd, sharedVariance, type Measured, type Reading, type SharedError } from '../reading';
import { meanAndSd } from '../statistics/mean';
import { quadrature } from '../statistics/propagate';
import { TEXT } from '../../text/core/comparison';

/** One trial as all its cameras see it, the main one first. */
export type Views = readonly Trial[];

/** What one side of a comparison is read from: one trial, several repetitions of one, or several performers. */
export type Side = readonly Views[];

/** How the trials of a side differ among themselves, SI. */
export interface Spread {
  /** Performers; several attempts of one are one performer. */
  readonly n: number;
  /** Of the performers among themselves; 0 where there is one. */
  readonly sd: number;
  /** Of the attempts of one performer among themselves, over all who have several; null where nobody has. */
  readonly within: number | null;
  /** Each trial's own value. */
  readonly readings: readonly Measured[];
}

export interface SideReading {
  readonly reading: Reading;
  /** Null where the side has a single trial. */
  readonly spread: Spread | null;
}

/** A reading with the name of whose it is. */
export interface ReadingOf {
  readonly reading: Reading;
  readonly performer: string;
}

/**
 * The camera from which a measure is read: the first whose view shows its plane and that has points, one that moves
 * only where no other does; else the first.
 */
export function viewOf(measure: Measure, views: Views): Trial {
  const inSpace = needsSpace(measure);
  const sees = (view: Trial): boolean =>
    viewRefusal(view.clip, measure.plane) === null &&
    Object.keys(view.raw).length > 0 &&
    (!inSpace || view.space !== undefined);
  const holds = (view: Trial): boolean => sees(view) && cameraRefusal(view, kindOf(measure).picture(measure)) === null;
  return views.find(holds) ?? views.find(sees) ?? views[0]!;
}

/** Standard errors of measurement that were found by digitising twice: measure id -> SI. */
export type MeasuredErrors = Readonly<Record<string, number>>;

/**
 * A reading in which the error that was measured stands for the one computed from the points. What digitising twice
 * cannot show (the moment, the camera, the scale) stays beside it.
 */
export function withMeasuredError(reading: Reading, sem: number | undefined): Reading {
  if (!reading.measurable || sem === undefined) return reading;
  const { points = reading.sd } = reading;
  return {
    ...reading,
    sd: quadrature(Math.sqrt(Math.max(0, reading.sd ** 2 - points ** 2)), sem),
    systematicSd: 0,
    points: sem,
  };
}

/** One measure of every trial of a side. */
export const readEach = (measure: Measure, side: Side, errors: MeasuredErrors = {}): readonly ReadingOf[] =>
  side.map((views) => ({
    reading: withMeasuredError(evaluateMeasure(measure, viewOf(measure, views)), errors[measure.id]),
    performer: performerKey(views[0]!.clip.performer),
  }));

/** Values by a key, in the order in which the keys first come. */
const byKey = <T>(list: readonly T[], key: (item: T) => string): readonly (readonly T[])[] => {
  const groups = new Map<string, T[]>();
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return [...groups.values()];
};

/** What the readings of each clip share does not shrink with their number: it goes into their mean as it is. */
function sharedInMean(known: readonly Measured[], part: keyof SharedError): number {
  return quadrature(
    ...byKey(known, (r) => r.provenance.clipId).map(
      (clip) => clip.reduce((sum, r) => sum + (r.shared?.[part] ?? 0), 0) / known.length,
    ),
  );
}

/**
 * Readings of several trials as one: the mean of the performers, each the mean of their attempts. Its random error
 * shrinks with their number and is no smaller than what the spread says of a mean (s / sqrt(n), where there are three
 * or more); what a clip's readings share (camera, scale), and what the detector does systematically in all of them,
 * stays.
 */
export function meanReading(measure: Measure, all: readonly ReadingOf[]): SideReading {
  if (all.length === 0)
    return {
      reading: notMeasurable('no-reference', TEXT.thereIsNothingToCompare, TEXT.addReferenceClipAtIntake),
      spread: null,
    };
  const known = all.flatMap(({ reading, performer }) => (reading.measurable ? [{ reading, performer }] : []));
  if (all.length === 1 || known.length === 0) return { reading: all[0]!.reading, spread: null };
  const subtract = (a: number, b: number): number => differenceOf(measure, a, b);
  const readings = known.map((k) => k.reading);
  const performers = byKey(known, (k) => k.performer).map((attempts) => ({
    attempts: attempts.length,
    ...meanAndSd(
      attempts.map((a) => a.reading.value),
      subtract,
    ),
  }));
  const n = performers.length;
  const { mean, sd } = meanAndSd(
    performers.map((p) => p.mean),
    subtract,
  );
  const freedom = performers.reduce((sum, p) => sum + p.attempts - 1, 0);
  const within =
    freedom > 0 ? Math.sqrt(performers.reduce((sum, p) => sum + (p.attempts - 1) * p.sd ** 2, 0) / freedom) : null;
  const total = readings.length;
  const own = Math.sqrt(readings.reduce((sum, r) => sum + ownSd(r) ** 2, 0)) / total;
  const systematicSd = Math.sqrt(readings.reduce((sum, r) => sum + r.systematicSd ** 2, 0) / total);
  const shared = {
    camera: sharedInMean(readings, 'camera'),
    tilt: sharedInMean(readings, 'tilt'),
    scale: sharedInMean(readings, 'scale'),
    ground: sharedInMean(readings, 'ground'),
  };
  const ofSpread =
    n >= LEAST_FOR_SPREAD ? sd / Math.sqrt(n) : n === 1 && total >= LEAST_FOR_SPREAD ? within! / Math.sqrt(total) : 0;
  return {
    reading: {
      ...readings[0]!,
      value: mean,
      sd: quadrature(Math.max(own, ofSpread), systematicSd, Math.sqrt(sharedVariance(shared))),
      systematicSd,
      shared,
    },
    spread: { n, sd, within, readings },
  };
}

/** One measure of a side: of its one trial, or the mean of several. */
export const readSide = (measure: Measure, side: Side, errors: MeasuredErrors = {}): SideReading =>
  meanReading(measure, readEach(measure, side, errors));

/** Only the main camera of every trial: times are read where moments are marked. */
export const mainViews = (side: Side): Side => side.map((views) => views.slice(0, 1));

/** Fewer performers than this cannot claim a spread. */
export const LEAST_FOR_SPREAD = 3;
