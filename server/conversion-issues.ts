export class TooLarge extends Error {}

export class TooSlow extends Error {}

export class Busy extends Error {}
