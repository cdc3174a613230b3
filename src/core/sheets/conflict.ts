/** Why there is no plan, as the pages say it. */
export interface Conflict {
  readonly proved: boolean;
  readonly facts: readonly { readonly rule: string; readonly steps: readonly string[]; readonly text: string }[];
}
