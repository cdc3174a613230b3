// A dish small enough to reason about: a stock, a sauce from it, and a plate. Every test changes what it is about.
import type { Loose } from "./dishes";

export function smallDish(change: (dish: Loose) => void = () => {}): Loose {
  const dish: Loose = {
    format: "rondeau/1",
    dish: {
      id: "small",
      name: "Small",
      timezone: "Europe/Dublin",
      baseServes: 4,
      serves: 4,
      serveAt: "2026-10-18T13:00",
      serve: "plate.put",
    },
    components: [
      {
        id: "stock",
        name: "Stock",
        kind: "stock",
        methods: [
          {
            id: "slow",
            ingredients: [{ id: "bones", name: "Bones", amount: { amount: 2, unit: "kg" } }],
            steps: [
              { id: "chop", name: "Chop the bones", time: "20m" },
              {
                id: "simmer",
                name: "Simmer",
                time: { min: "3h", likely: "4h", max: "6h" },
                attention: "nearby",
                after: ["chop"],
                uses: [{ what: "burner" }, { what: "pot", litres: 8 }],
                makes: [
                  {
                    id: "stock",
                    amount: { amount: 2, unit: "L" },
                    holds: [
                      { place: "fridge", litres: 2, max: "3d", limit: "safety" },
                      { place: "freezer", litres: 2, max: "60d", limit: "quality" },
                    ],
                  },
                ],
              },
            ],
          },
        ],
      },
      {
        id: "sauce",
        name: "Sauce",
        kind: "sauce",
        methods: [
          {
            id: "only",
            steps: [
              {
                id: "reduce",
                name: "Reduce",
                time: "1h",
                attention: "nearby",
                uses: [{ what: "burner" }, { what: "pot", litres: 2 }],
                takes: [{ from: "stock.stock", amount: { amount: 1.5, unit: "L" } }],
                makes: [
                  { id: "sauce", amount: { amount: 400, unit: "mL" }, holds: [{ place: "fridge", litres: 1, max: "2d", limit: "safety" }] },
                ],
              },
            ],
          },
        ],
      },
      {
        id: "plate",
        name: "Plate",
        kind: "assembly",
        methods: [
          {
            id: "only",
            steps: [
              { id: "put", name: "Put together", time: "15m", takes: [{ from: "sauce.sauce", amount: { amount: 400, unit: "mL" } }] },
            ],
          },
        ],
      },
    ],
    kitchen: {
      cooks: [{ id: "ada", hours: [{ days: "all", from: "09:00", to: "21:00" }] }],
      equipment: [
        { id: "oven", kind: "oven", racks: 2, maxC: 250 },
        { id: "hob", kind: "burner", count: 4 },
        { id: "big", kind: "pot", litres: 10 },
        { id: "small", kind: "pot", litres: 3 },
        { id: "fridge", kind: "fridge", litres: 30 },
        { id: "freezer", kind: "freezer", litres: 20 },
      ],
    },
  };
  change(dish);
  return dish;
}

/** The step of the small dish with that reference, for a test to change. */
export function stepOf(dish: Loose, ref: string): Loose {
  const [component, step] = ref.split(".");
  return dish.components.find((c: Loose) => c.id === component).methods[0].steps.find((s: Loose) => s.id === step);
}

/** Two works of two hours that must both end just before the plate. */
export function addTwoAtOnce(dish: Loose): void {
  dish.components[2].methods[0].steps.unshift(
    { id: "a", name: "Fry", time: "2h", after: [] },
    { id: "b", name: "Whip", time: "2h", after: [] },
  );
  stepOf(dish, "plate.put").after = [
    { step: "a", max: "5m" },
    { step: "b", max: "5m" },
  ];
}

/** A quicker way to the stock, half as good. */
export function addTin(dish: Loose): void {
  const { makes } = stepOf(dish, "stock.simmer");
  dish.components[0].methods.push({
    id: "tin",
    name: "From the tin",
    quality: 0.5,
    steps: [{ id: "open", name: "Open the tin", time: "5m", makes }],
  });
}
