export const ROW = { display: 'flex', gap: 8, alignItems: 'center', flexWrap: 'wrap' } as const;

export const SMALL = { fontSize: '.84rem' } as const;
