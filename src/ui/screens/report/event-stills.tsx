import type { ReactNode } from 'react';
import type { Role } from '../../../core/model/clip';
import type { Derived } from '../../../application/analysis/derived';
import { RoleName } from '../../components/role-name';
import { TEXT } from '../../../text/screens/report';

export interface EventStillsProps {
  readonly derived: Derived;
  readonly roles: readonly Role[];
  /** Role and moment id -> address of its picture. */
  readonly stills: Readonly<Record<string, string>>;
}

/** Every moment of both performers as a picture. */
export function EventStills({ derived, roles: shownRoles, stills }: EventStillsProps): ReactNode {
  const { movement } = derived;
  return (
    <section>
      <h2>{TEXT.moments}</h2>
      {movement.moments.map((moment) => (
        <div key={moment.id} style={{ breakInside: 'avoid', marginBottom: 12 }}>
          <h3 style={{ margin: '6px 0' }}>{moment.name}</h3>
          <div className="stills">
            {shownRoles.map((role) => {
              const still = stills[`${role}-${moment.id}`];
              const trial = derived[role]!;
              return (
                <figure key={role}>
                  {still ? (
                    <img
                      src={still}
                      alt={TEXT.nameAtName2(trial.clip.performer.name, moment.name.toLowerCase())}
                      data-testid="still"
                    />
                  ) : (
                    <div style={{ background: '#171c20', aspectRatio: '4 / 3' }} />
                  )}
                  <figcaption>
                    <RoleName role={role} name={trial.clip.performer.name} />
                    {trial.marks[moment.id] === undefined
                      ? TEXT.notMarked
                      : TEXT.frameMarks(Math.round(trial.marks[moment.id]!) + 1)}
                  </figcaption>
                </figure>
              );
            })}
          </div>
        </div>
      ))}
    </section>
  );
}
