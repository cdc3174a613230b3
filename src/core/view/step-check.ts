// Something to look at so long after a step has started: asked at its hour, while the step runs or once it is over.

export interface StepCheck {
  readonly afterMinutes: number;
  readonly ask: string;
  /** What to do where it is not so. */
  readonly otherwise: string;
}

/** What has a check on a step, such as a finding of safety. */
export interface Checked {
  readonly step?: string;
  readonly check?: StepCheck;
}

/** @example checkText({ afterMinutes: 120, ask: "21 °C or less", otherwise: "stir it in ice water" }) // "21 °C or less. If not, stir it in ice water." */
export const checkText = ({ ask, otherwise }: StepCheck): string => `${ask}. If not, ${otherwise}.`;
