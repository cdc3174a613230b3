// A table for a whole weekend: the harvest lunch, the duck after it, the pastries of the morning before, and a board of preserves begun ten
// days ahead. More than 120 steps on one kitchen, for what must stay readable and quick.
import { joinDishes } from "../../src/core/dish/feast";
import { readDishValue } from "../../src/core/dish/read";
import type { DishFile } from "../../src/core/dish/schema";
import { demoDocument, type Loose } from "./dishes";

const sound = (document: unknown): DishFile => {
  const read = readDishValue(document);
  if (read.status === "refused") throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join("\n"));
  return read.document;
};

/** A jar that is prepared, left to work for some days, tended and put away. */
const jar = (id: string, name: string, days: number, litres: number): Loose => ({
  id,
  name,
  kind: "ferment",
  methods: [
    {
      id: "jar",
      steps: [
        { id: "cut", name: `Cut for the ${name.toLowerCase()}`, time: "20m" },
        { id: "salt", name: "Salt and press down", time: "10m", after: [{ step: "cut", max: "2h" }] },
        {
          id: "work",
          name: "Work on the counter",
          time: `${days}d`,
          attention: "unattended",
          after: [{ step: "salt", max: "30m" }],
          tend: { every: "24h", takes: "2m", what: "press down, taste" },
        },
        {
          id: "away",
          name: "Into clean jars, to the cold",
          time: "15m",
          after: [{ step: "work", max: "1d" }],
          makes: [{ id: "jars", amount: { amount: 1, unit: "kg" }, holds: [{ place: "fridge", litres, max: "20d", limit: "quality" }] }],
        },
      ],
    },
  ],
});

const preserves = (): Loose => {
  const jars = [
    jar("beans", "Sour beans", 7, 1),
    jar("carrots", "Ginger carrots", 4, 1),
    jar("turnips", "Salted turnips", 9, 1),
    jar("mushrooms", "Sour mushrooms", 3, 1),
  ];
  return {
    ...demoDocument("harvest-lunch"),
    dish: {
      id: "preserves",
      name: "A board of preserves",
      timezone: "Europe/Dublin",
      baseServes: 10,
      serves: 10,
      serveAt: demoDocument("harvest-lunch").dish.serveAt,
      serve: "board.lay",
    },
    components: [
      ...jars,
      {
        id: "board",
        name: "The board",
        kind: "assembly",
        methods: [
          {
            id: "only",
            steps: [
              {
                id: "out",
                name: "Jars out of the fridge",
                time: "5m",
                takes: jars.map((j) => ({ from: `${j.id}.jars`, amount: { amount: 0.9, unit: "kg" } })),
              },
              { id: "lay", name: "Lay the board", time: "10m", after: [{ step: "out", max: "4h" }] },
            ],
          },
        ],
      },
    ],
  };
};

export function longFeast(): DishFile {
  const lunch = sound(demoDocument("harvest-lunch"));
  const withDuck = joinDishes(lunch, sound(demoDocument("spiced-duck")), { after: 30 });
  const withBreakfast = joinDishes(withDuck, sound(demoDocument("saturday-pastries")), { after: -(24 * 60) });
  const feast = joinDishes(withBreakfast, sound(preserves()), { after: 23 * 60 });
  return sound({ ...feast, dish: { ...feast.dish, id: "weekend-table", name: "A weekend's table", startNotBefore: undefined } });
}
