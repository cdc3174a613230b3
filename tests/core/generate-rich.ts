// Random dishes that use what generate.ts leaves out, all together: larder, stand-ins, batches taken one by one, drawing from a pot that
// still simmers, steaming over it, a ramp in the oven, a second course, a second oven, a borrowed grill, freezer and cellar.
import { seededRandom } from "../../src/core/random";
import { randomDish, type Shape } from "./generate";

// biome-ignore lint/suspicious/noExplicitAny: a document is built and bent here before it is read
type Loose = any;

const kg = (amount: number) => ({ amount, unit: "kg" });

/** A dish document with every feature of the format; the same seed and shape give the same one. */
export function richDish(seed: number, shape?: Partial<Shape>): Loose {
  const random = seededRandom(seed + 17);
  const chance = (p: number) => random() < p;
  const whole = (from: number, to: number) => Math.floor(from + random() * (to - from + 1));
  const document: Loose = randomDish(seed, { steps: whole(6, 24), ...shape });
  const plate = document.components.at(-1);
  const put = plate.methods[0].steps[0];
  const add = (component: Loose) => document.components.splice(document.components.length - 1, 0, component);
  const onPlate = (from: string, extra: object = {}) => put.takes.push({ from, amount: kg(0.2), ...extra });

  if (chance(0.5)) {
    add({
      id: "larder",
      name: "From the larder",
      kind: "pickle",
      methods: [],
      onHand: [
        {
          output: "jar",
          amount: kg(2),
          madeAt: "2026-05-01T12:00",
          holds: [{ place: "cellar", litres: 1, min: "7d", max: "300d", limit: "quality" }],
        },
      ],
    });
    onPlate("larder.jar");
  }
  if (chance(0.6)) document.components[0].fallback = { name: "Bought", lead: "45m", quality: 0.5 };
  if (chance(0.6)) {
    const batches = whole(2, 3);
    const each = chance(0.7);
    add({
      id: "rolls",
      name: "Rolls",
      kind: "filling",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "shape",
              name: "Shape",
              time: "12m",
              batches,
              makes: [{ id: "raw", amount: kg(2), holds: [{ place: "counter", max: "3h", limit: "safety" }] }],
            },
            {
              id: "fry",
              name: "Fry",
              time: "15m",
              attention: chance(0.5) ? "hands" : "nearby",
              batches,
              ...(chance(0.3) ? { tend: { every: "10m", takes: "2m", what: "turn" } } : {}),
              uses: [{ what: "burner" }, { what: "pot", litres: 2 }],
              takes: [{ from: "rolls.raw", amount: kg(1), ...(each ? { each: true } : {}) }],
              makes: [
                {
                  id: "done",
                  amount: kg(2),
                  holds: [
                    { place: "counter", max: "6h", limit: "quality" },
                    { place: "freezer", litres: 3, max: "30d", limit: "quality" },
                  ],
                },
              ],
            },
          ],
        },
      ],
    });
    onPlate("rolls.done");
  }
  if (chance(0.6)) {
    add({
      id: "broth",
      name: "Broth",
      kind: "stock",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "simmer",
              name: "Simmer",
              attention: "nearby",
              time: { min: "3h", likely: "4h", max: "5h" },
              stretch: "1h",
              handsStart: "5m",
              tend: { every: "1h", takes: "3m", what: "skim" },
              uses: [{ what: "burner" }, { what: "pot", litres: 8, until: "strain" }],
              makes: [
                { id: "liquor", amount: kg(4), holds: [{ place: "fridge", litres: 3, best: ["2h", "1d"], max: "3d", limit: "safety" }] },
              ],
            },
            {
              id: "steam",
              name: "Steam over it",
              attention: "unattended",
              time: "40m",
              after: [],
              within: "simmer",
              makes: [{ id: "steamed", amount: kg(1) }],
            },
            { id: "strain", name: "Strain", time: "10m", after: ["simmer"] },
            {
              id: "glaze",
              name: "Glaze",
              attention: "nearby",
              time: "20m",
              after: [],
              uses: [{ what: "burner" }, { what: "pot", litres: 1 }],
              takes: [{ from: "broth.liquor", amount: kg(0.2), ...(chance(0.7) ? { during: "2h" } : {}) }],
              makes: [
                {
                  id: "glaze",
                  amount: kg(0.5),
                  holds: [
                    { place: "counter", max: "4h", limit: "safety" },
                    { place: "fridge", litres: 0.5, max: "4d", limit: "safety" },
                  ],
                },
              ],
            },
          ],
        },
      ],
    });
    onPlate("broth.steamed");
    onPlate("broth.glaze");
  }
  if (chance(0.5)) {
    add({
      id: "roast",
      name: "Roast",
      kind: "roast",
      methods: [
        {
          id: "only",
          steps: [
            { id: "sear", name: "Sear", attention: "nearby", time: "20m", uses: [{ what: "oven", tempC: 220, toleranceC: 10 }] },
            {
              id: "slow",
              name: "Slow",
              attention: "nearby",
              time: "2h",
              after: [{ step: "sear", max: "0m" }],
              uses: [{ what: "oven", tempC: 120, toleranceC: 10, ramp: true }],
              makes: [
                {
                  id: "joint",
                  amount: kg(2),
                  holds: [{ place: "counter", min: "20m", best: ["20m", "45m"], max: "90m", limit: "quality" }],
                },
              ],
            },
          ],
        },
      ],
    });
    onPlate("roast.joint");
  }
  if (chance(0.5)) {
    document.components.push({
      id: "pudding",
      name: "Pudding",
      kind: "sweet",
      course: "pudding",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "set",
              name: "Set",
              time: "15m",
              makes: [
                {
                  id: "cream",
                  amount: kg(1),
                  holds: [{ place: "fridge", litres: 2, min: "4h", best: ["8h", "1d"], max: "2d", limit: "safety" }],
                },
              ],
            },
            { id: "turn", name: "Turn out", time: "5m", after: [], takes: [{ from: "pudding.cream", amount: kg(1) }] },
          ],
        },
      ],
    });
    document.dish.courses = [{ name: "Pudding", serve: "pudding.turn", after: "45m" }];
  }
  const { equipment, cooks } = document.kitchen;
  equipment.push({ id: "freezer", kind: "freezer", litres: 10 }, { id: "cellar", kind: "cellar", litres: 30 });
  if (chance(0.3)) equipment.push({ id: "oven-2", kind: "oven", racks: 1, maxC: 200 });
  if (chance(0.4)) {
    const day = document.dish.serveAt.slice(0, 10);
    equipment.push({ id: "kettle", kind: "grill", racks: 1, maxC: 250, available: [{ from: `${day}T06:00`, to: `${day}T23:30` }] });
    add({
      id: "smoked",
      name: "Smoked",
      kind: "roast",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "smoke",
              name: "Smoke",
              attention: "nearby",
              time: "50m",
              handsEnd: "5m",
              uses: [
                { what: "grill", tempC: 110, toleranceC: 15 },
                { what: "tray", part: "hands" },
              ],
              makes: [{ id: "out", amount: kg(1), holds: [{ place: "counter", max: "2h", limit: "safety" }] }],
            },
          ],
        },
      ],
    });
    onPlate("smoked.out");
  }
  if (cooks.length > 1 && chance(0.4)) put.cooks = ["ada"];
  return document;
}
