/** Target: as the reference has it, within a tolerance in the measure's display unit. */
export const like = (tolerance: number) =>
  ({
    type: 'same-as-reference',
    tolerance,
    source: 'tolerance: analyst\u2019s choice, one reference performer',
  }) as const;
