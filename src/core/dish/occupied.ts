// How full a place of the kitchen is over time, and with what.
export type OpenPlace = "fridge" | "freezer" | "cellar" | "oven" | "grill" | "bath" | "hob";

export interface Tenant {
  readonly name: string;
  readonly component: string;
  readonly from: number;
  readonly to: number;
  readonly amount: number;
}

export interface Occupancy {
  readonly place: OpenPlace;
  readonly unit: "L" | "racks" | "burners";
  /** What the kitchen has of it. */
  readonly capacity: number;
  readonly tenants: readonly Tenant[];
  /** Amount in use from each minute on, in their order; 0 at the end. */
  readonly levels: readonly (readonly [at: number, amount: number])[];
}
