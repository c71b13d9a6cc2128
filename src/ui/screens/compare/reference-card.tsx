import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { LEAST_FOR_SPREAD } from '../../../core/comparison/side';
import type { ReferenceModel } from '../../../core/model/reference-model';
import { performerKey } from '../../../core/model/performer';
import { byResult, resultText } from '../../../core/model/conditions';
import {
  changeReferenceModel,
  compareAttempts,
  compareWith,
  chooseSchool,
} from '../../../application/comparison/comparison-use-cases';
import { repetitionsOf, type Derived } from '../../../application/analysis/derived';
import { mainsOf } from '../../../application/bench/bench-clips';
import { techniqueWords } from '../../../core/judgement/technique-words';
import { RoleName } from '../../components/role-name';
import { TEXT } from '../../../text/screens/compare';

const KINDS: readonly (readonly [ReferenceModel['kind'], string])[] = [
  ['one', TEXT.onePerformance],
  ['several', TEXT.severalPerformancesMeanAndSpread],
  ['phases', TEXT.anotherPerformanceForSomePhases],
  ['own', TEXT.athletesOwnRepetition],
  ['published', TEXT.publishedTargetsOnlyNoClip],
];

/** What the athlete is compared with, and by which school it is judged. */
export function ReferenceCard({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement, clips, sides, school, technique } = derived;
  const model = session.referenceModel;
  const references = mainsOf(clips, 'reference');
  const athletes = mainsOf(clips, 'athlete');
  const ranked = byResult(athletes.map(({ trial: { clip } }) => ({ clipId: clip.id, result: clip.result })));
  const own = athletes.flatMap((c) => {
    const { clip } = c.trial;
    const all = repetitionsOf(session, clip.id);
    return (all.length > 0 ? all : [c.trial.marks]).map((_, i) => ({
      clipId: clip.id,
      repetition: i,
      name:
        `${clip.performer.name}, ` +
        `${clip.result ? resultText(clip.result) : clip.fileName}${all.length > 1 ? TEXT.repetitionI(i + 1) : ''}`,
    }));
  });
  // Without anybody to compare with, the movement's own targets are all there is.
  const alone = references.length === 0 && (model.kind === 'one' || model.kind === 'phases');
  const performers = new Set(sides.reference.map((views) => performerKey(views[0]!.clip.performer))).size;
  const who = performers === 1 ? TEXT.onePerformer : TEXT.performers(performers);
  const spread = performers >= LEAST_FOR_SPREAD ? TEXT.rangeIsThatInWhich : TEXT.tooFewPeopleToClaim;
  return (
    <section className="card reference-card">
      <TextField
        select
        size="small"
        label={TEXT.reference}
        value={alone ? 'published' : model.kind}
        onChange={(event) =>
          changeReferenceModel({
            kind: event.target.value as ReferenceModel['kind'],
            ...(event.target.value === 'own' && !model.own
              ? { own: own.at(-1) ? { clipId: own.at(-1)!.clipId, repetition: own.at(-1)!.repetition } : null }
              : {}),
          })
        }
        sx={{ minWidth: 290 }}
      >
        {KINDS.map(([kind, name]) => (
          <MenuItem key={kind} value={kind}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {(model.kind === 'one' || model.kind === 'phases') && references.length > 1 && (
        <TextField
          select
          size="small"
          label={TEXT.performance}
          value={references[0]!.trial.clip.id}
          onChange={(event) => compareWith(derived, event.target.value)}
          sx={{ minWidth: 200 }}
        >
          {references.map((c) => (
            <MenuItem key={c.id} value={c.trial.clip.id}>
              {c.trial.clip.performer.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {model.kind === 'several' &&
        references.map((c) => {
          const { clip } = c.trial;
          return (
            <FormControlLabel
              key={c.id}
              label={<RoleName role={c.styleKey} name={clip.performer.name} />}
              control={
                <Checkbox
                  size="small"
                  checked={!model.without.includes(clip.id)}
                  onChange={(event) =>
                    changeReferenceModel({
                      without: event.target.checked
                        ? model.without.filter((id) => id !== clip.id)
                        : [...model.without, clip.id],
                    })
                  }
                />
              }
            />
          );
        })}
      {model.kind === 'phases' &&
        movement.phases.map((phase) => (
          <TextField
            key={phase.from}
            select
            size="small"
            label={phase.name}
            value={model.phases[phase.from] ?? references[0]?.trial.clip.id ?? ''}
            onChange={(event) =>
              changeReferenceModel({ phases: { ...model.phases, [phase.from]: event.target.value } })
            }
            sx={{ minWidth: 150 }}
          >
            {references.map((c) => (
              <MenuItem key={c.id} value={c.trial.clip.id}>
                {c.trial.clip.performer.name}
              </MenuItem>
            ))}
          </TextField>
        ))}
      {model.kind === 'own' && (
        <TextField
          select
          size="small"
          label={TEXT.repetition}
          value={model.own ? `${model.own.clipId} ${model.own.repetition}` : ''}
          onChange={(event) => {
            const chosen = own.find((o) => `${o.clipId} ${o.repetition}` === event.target.value);
            changeReferenceModel({ own: chosen ? { clipId: chosen.clipId, repetition: chosen.repetition } : null });
          }}
          sx={{ minWidth: 260 }}
        >
          {own.map((o) => (
            <MenuItem key={`${o.clipId} ${o.repetition}`} value={`${o.clipId} ${o.repetition}`}>
              {o.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {ranked.length > 1 && (
        <Button variant="outlined" onClick={() => compareAttempts(ranked.at(-1)!.clipId, ranked[0]!.clipId)}>
          {TEXT.worstAttemptAgainstBest}
        </Button>
      )}
      {movement.schools.length > 0 && (
        <TextField
          select
          size="small"
          label={TEXT.school}
          value={session.school ?? ''}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          onChange={(event) => chooseSchool(event.target.value || null)}
          sx={{ minWidth: 170 }}
        >
          <MenuItem value="">
            {!technique
              ? TEXT.movementsOwnTargets
              : technique.school
                ? TEXT.asMeasured(technique.school.name)
                : TEXT.asMeasuredUnsure}
          </MenuItem>
          {movement.schools.map((s) => (
            <MenuItem key={s.id} value={s.id}>
              {s.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <div className="note">
        {sides.reference.length > 1 && TEXT.countPerformancesOfWhoSpread(sides.reference.length, who, spread)}
        {sides.athlete.length > 1 && TEXT.athleteCountsWithMeanOf(sides.athlete.length)}
        {(alone || model.kind === 'published') && TEXT.onlyTargetsThatMovementStates}
        {school && `${school.name}: ${school.because}`}
        {technique && !session.school && ` ${techniqueWords(movement, technique)}`}
      </div>
    </section>
  );
}
