/** Why there is no plan and what would help, as the pages say it. */
export interface Conflict {
  readonly proved: boolean;
  readonly facts: readonly { readonly rule: string; readonly steps: readonly string[]; readonly text: string }[];
  readonly repairs: readonly { readonly kind: string; readonly text: string; readonly leadMinutes: number }[];
  /** The stored answer that says so; a repair is chosen from it. */
  readonly answer: string;
}
