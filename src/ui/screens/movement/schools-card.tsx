import ClearIcon from '@mui/icons-material/Clear';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { freeId } from '../../../core/model/measure-form';
import { measureName, type Movement, type School } from '../../../core/model/movement';
import type { Target } from '../../../core/model/target';
import { changeSchools } from '../../../application/movement/movement-editing';
import { Choice, CommittedField, NumberField } from './plain-fields';
import { said } from './said';
import { TargetFields } from './target-fields';
import { TEXT } from '../../../text/screens/movement';

/** Ways of doing it that are taught, each with its own targets for some measures. */
export function SchoolsCard({ movement }: { readonly movement: Movement }): ReactNode {
  const { schools, measures } = movement;
  const set = (id: string, change: Partial<School> | null): boolean =>
    said(changeSchools(schools.flatMap((s) => (s.id !== id ? [s] : change ? [{ ...s, ...change }] : []))));
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.schools}
      </Typography>
      {schools.length === 0 && <p className="note">{TEXT.noneSchoolIsAnotherWay}</p>}
      {schools.map((school) => {
        const setTarget = (id: string, target: Target | null | undefined): boolean =>
          set(school.id, {
            targets: {
              ...Object.fromEntries(Object.entries(school.targets).filter(([key]) => key !== id)),
              ...(target === undefined ? {} : { [id]: target }),
            },
          });
        const others = measures.filter((m) => !(m.id in school.targets));
        return (
          <div key={school.id} className="part-of-list">
            <div className="row-of-fields" style={{ marginBottom: 10 }}>
              <div style={{ width: 200 }}>
                <CommittedField
                  label={TEXT.nameOfSchool}
                  value={school.name}
                  onChange={(name) => set(school.id, { name })}
                />
              </div>
              <div style={{ flex: '1 1 260px' }}>
                <CommittedField
                  label={TEXT.whyItIsTaught}
                  value={school.because}
                  onChange={(because) => set(school.id, { because })}
                />
              </div>
              <Button onClick={() => set(school.id, null)}>{TEXT.removeSchool}</Button>
            </div>
            {Object.entries(school.targets).map(([id, target]) => {
              const measure = measures.find((m) => m.id === id)!;
              return (
                <div key={id} className="row-of-fields" style={{ marginBottom: 10 }}>
                  <strong style={{ minWidth: 180 }}>{measureName(movement, measure)}</strong>
                  <TargetFields
                    measure={measure}
                    target={target ?? undefined}
                    onChange={(next) => setTarget(id, next ?? null)}
                  />
                  <IconButton
                    size="small"
                    aria-label={TEXT.nameMovementsOwnTargetAgain(measure.name)}
                    onClick={() => setTarget(id, undefined)}
                  >
                    <ClearIcon fontSize="small" />
                  </IconButton>
                </div>
              );
            })}
            <div className="row-of-fields">
              <Choice
                label={TEXT.addTargetOfThisSchool}
                width={270}
                value=""
                options={others.map((m) => [m.id, measureName(movement, m)] as const)}
                onChange={(id) => setTarget(id, measures.find((m) => m.id === id)!.target ?? null)}
              />
              <Choice
                label={TEXT.isKnownBy}
                width={270}
                value={school.when?.measure ?? ''}
                options={[['', TEXT.isChosen], ...measures.map((m) => [m.id, measureName(movement, m)] as const)]}
                onChange={(measure) =>
                  set(school.id, { when: measure ? { from: 0, to: 90, ...school.when, measure } : undefined })
                }
              />
              {school.when && (
                <>
                  <NumberField
                    label={TEXT.fromValue}
                    value={school.when.from}
                    onChange={(from) => set(school.id, { when: { ...school.when!, from } })}
                  />
                  <NumberField
                    label={TEXT.toValue}
                    value={school.when.to}
                    onChange={(to) => set(school.id, { when: { ...school.when!, to } })}
                  />
                </>
              )}
            </div>
          </div>
        );
      })}
      <Button
        size="small"
        onClick={() => {
          const id = freeId(
            'school',
            schools.map((s) => s.id),
          );
          said(
            changeSchools([...schools, { id, name: TEXT.schoolCount(schools.length + 1), because: '', targets: {} }]),
          );
        }}
      >
        {TEXT.addSchool}
      </Button>
    </section>
  );
}
