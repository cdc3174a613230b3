// Twelve dishes that plans are followed with, beside the three of the demo: other shapes, other hours, other spreads.
// Written short: a step is its name, its time ("40m" or "30m 40m 1h" for least, likely, longest) and what else it says.
import type { DishFile } from "../../src/core/dish/schema";

type StepFile = DishFile["components"][number]["methods"][number]["steps"][number];
type Rest = Partial<Omit<StepFile, "id" | "name" | "time">>;
type Hold = NonNullable<NonNullable<StepFile["makes"]>[number]["holds"]>[number];

const time = (text: string): StepFile["time"] => {
  const [min, likely, max] = text.split(" ");
  return likely && max ? { min: min as string, likely, max } : (min as string);
};
const step = (id: string, name: string, takes: string, rest: Rest = {}): StepFile => ({ id, name, time: time(takes), ...rest }) as StepFile;
const hands = step;
const alone = (id: string, name: string, takes: string, rest: Rest = {}) => step(id, name, takes, { attention: "unattended", ...rest });
const near = (id: string, name: string, takes: string, rest: Rest = {}) => step(id, name, takes, { attention: "nearby", ...rest });
const makes = (id: string, holds: Hold[] = []) => ({ makes: [{ id, name: id, holds }] });
const hold = (place: Hold["place"], max: string, limit: "quality" | "safety", rest: Partial<Hold> = {}): Hold =>
  ({ place, max, limit, ...rest }) as Hold;
const takes = (...from: string[]) => ({ takes: from.map((f) => ({ from: f })) });
const oven = (tempC: number, racks = 1) => ({ uses: [{ what: "oven", tempC, toleranceC: 10, racks }] }) as Rest;
const part = (id: string, kind: string, steps: StepFile[], more: object = {}) => ({
  id,
  name: id,
  kind,
  methods: [{ id: "usual", steps }],
  ...more,
});

function dish(
  id: string,
  name: string,
  serveAt: string,
  startNotBefore: string,
  serve: string,
  components: object[],
  kitchen?: object,
): DishFile {
  return {
    format: "rondeau/1",
    dish: { id, name, timezone: "Europe/Dublin", baseServes: 6, serves: 6, serveAt, startNotBefore, serve },
    components,
    ...(kitchen ? { kitchen } : {}),
  } as unknown as DishFile;
}

const fridge3d = hold("fridge", "3d", "safety", { litres: 2 });

const beanStew = dish("bean-stew", "Bean stew with flatbreads", "2026-11-07T19:30", "2026-11-06T18:00", "table.serve", [
  part("beans", "vegetable", [
    alone("soak", "Soak the beans", "10h 12h 16h", makes("soaked", [hold("counter", "6h", "quality")])),
    alone("simmer", "Simmer the beans", "50m 1h10m 1h40m", {
      ...takes("soaked"),
      uses: [{ what: "burner" }, { what: "pot", litres: 4, until: "stew.simmer" }],
      tend: { every: "20m", takes: "2m", what: "stir" },
      ...makes("cooked", [hold("hot", "90m", "quality")]),
    }),
  ]),
  part("stew", "braise", [
    hands("base", "Cook onions and spices", "20m 25m 35m", {
      after: [],
      uses: [{ what: "burner" }],
      ...makes("base", [hold("counter", "2h", "quality")]),
    }),
    alone("simmer", "Simmer the stew", "25m 37m 50m", {
      ...takes("base", "beans.cooked"),
      stretch: "30m",
      uses: [{ what: "burner" }],
      ...makes("stew", [hold("hot", "1h", "quality")]),
    }),
  ]),
  part("bread", "dough", [
    hands("mix", "Mix the dough", "10m"),
    alone("prove", "Prove the dough", "30m 36m 45m", { after: [{ step: "mix", max: "5m", limit: "quality" }] }),
    hands("shape", "Shape the flatbreads", "12m 15m 20m", { after: [{ step: "prove", max: "10m", limit: "quality" }] }),
    hands("griddle", "Griddle them", "16m 20m 26m", {
      after: [{ step: "shape", max: "15m", limit: "quality" }],
      uses: [{ what: "burner" }],
      ...makes("breads", [hold("hot", "25m", "quality")]),
    }),
  ]),
  part("table", "assembly", [hands("serve", "Ladle and serve", "5m 6m 9m", takes("stew.stew", "bread.breads"))]),
]);

const smokedShoulder = dish(
  "smoked-shoulder",
  "Smoked lamb shoulder with beans and slaw",
  "2026-06-20T18:00",
  "2026-06-18T18:00",
  "table.serve",
  [
    part("lamb", "roast", [
      hands("rub", "Rub the shoulder", "15m 20m 25m"),
      alone("rest-cold", "Rest in the fridge", "8h", {
        uses: [{ what: "fridge", litres: 5 }],
        ...makes("rubbed", [hold("fridge", "2d", "safety", { litres: 5 })]),
      }),
      near("light", "Light the kettle", "30m 40m 55m", {
        after: [],
        handsStart: "10m",
        uses: [{ what: "grill", tempC: 120, toleranceC: 20 }],
      }),
      near("smoke", "Smoke", "5h 6h30m 9h", {
        after: [{ step: "light", max: "15m", limit: "quality" }],
        ...takes("rubbed"),
        handsStart: "5m",
        tend: { every: "1h", takes: "5m", what: "feed the fire and spray" },
        uses: [{ what: "grill", tempC: 120, toleranceC: 20 }],
        ...makes("smoked", [hold("hot", "6h", "safety", { min: "30m", best: ["45m", "2h"] })]),
      }),
      hands("pull", "Pull it apart", "12m 15m 20m", { after: [], ...takes("smoked"), ...makes("pulled", [hold("hot", "30m", "quality")]) }),
    ]),
    part("beans", "vegetable", [
      hands("mix", "Mix the pot of beans", "15m"),
      alone("bake", "Bake the beans", "1h30m 2h 3h", { ...oven(150), stretch: "1h", ...makes("baked", [hold("hot", "90m", "quality")]) }),
    ]),
    part("slaw", "pickle", [
      hands("cut", "Cut and salt the cabbage", "20m 25m 30m", makes("salted", [hold("fridge", "1d", "quality", { litres: 2, min: "1h" })])),
      hands("dress", "Dress it", "8m", { ...takes("salted"), ...makes("dressed", [hold("fridge", "2h", "quality", { litres: 2 })]) }),
    ]),
    part("table", "assembly", [hands("serve", "Plate and serve", "8m 10m 14m", takes("lamb.pulled", "beans.baked", "slaw.dressed"))]),
  ],
  {
    cooks: [
      {
        id: "bea",
        name: "Bea",
        hours: [
          { days: "mon-fri", from: "18:30", to: "22:00" },
          { days: "sat-sun", from: "06:30", to: "22:00" },
        ],
        awake: [{ days: "all", from: "06:00", to: "23:00" }],
      },
    ],
    equipment: [
      { id: "oven", kind: "oven", racks: 2, maxC: 250 },
      { id: "kettle", kind: "grill", racks: 2, maxC: 250 },
      { id: "fridge", kind: "fridge", litres: 40 },
      { id: "hob", kind: "burner", count: 4 },
    ],
  },
);

const ryeLoaf = dish("rye-loaf", "Two-day rye loaf with cultured cheese", "2026-03-08T11:00", "2026-03-05T18:00", "table.serve", [
  part("sour", "ferment", [
    hands("feed", "Feed the sour", "5m"),
    alone("ripen", "Ripen the sour", "8h 10h 13h", { stretch: "2h", ...makes("ripe", [hold("counter", "2h", "quality")]) }),
  ]),
  part("soaker", "grain", [
    hands("scald", "Scald the grains", "10m 12m 15m"),
    alone("soak", "Let them soak", "6h", { stretch: "12h", ...makes("soaked", [hold("counter", "12h", "quality")]) }),
  ]),
  part("loaf", "dough", [
    hands("mix", "Mix the dough", "15m 20m 25m", { ...takes("sour.ripe", "soaker.soaked"), after: [] }),
    alone("bulk", "Ferment", "1h15m 1h45m 2h30m", { after: [{ step: "mix", max: "10m", limit: "quality" }] }),
    hands("shape", "Fill the tins", "10m 12m 15m", {
      after: [{ step: "bulk", max: "20m", limit: "quality" }],
      uses: [{ what: "tin", count: 2, until: "bake" }],
    }),
    alone("proof", "Proof in the fridge", "9h 11h 14h", { stretch: "3h", uses: [{ what: "fridge", litres: 6 }] }),
    near("bake", "Bake", "55m 1h5m 1h20m", {
      after: [{ step: "proof", max: "30m", limit: "quality" }],
      ...oven(220),
      handsStart: "3m",
      handsEnd: "3m",
      ...makes("baked", [hold("counter", "3d", "quality", { min: "12h", best: ["18h", "2d"] })]),
    }),
  ]),
  part("cheese", "dairy", [
    hands("warm", "Warm and culture the milk", "15m 20m 30m"),
    alone("set", "Let it set", "14h 18h 24h", {}),
    hands("drain", "Hang it to drain", "8m", { after: [{ step: "set", max: "4h", limit: "quality" }] }),
    alone("hang", "Drain", "5h 7h 10h", { stretch: "3h", ...makes("cheese", [hold("fridge", "5d", "safety", { litres: 1 })]) }),
  ]),
  part("table", "assembly", [hands("serve", "Slice and set out", "10m 12m 15m", takes("loaf.baked", "cheese.cheese"))]),
]);

const curedTrout = dish(
  "cured-trout",
  "Cured trout with turning rounds, potatoes and dill cream",
  "2026-05-10T13:00",
  "2026-05-06T18:00",
  "table.plate",
  [
    part("trout", "cure", [
      hands("salt", "Salt the sides", "20m 25m 30m"),
      alone("cure", "Cure in the fridge", "40h 48h 60h", {
        stretch: "8h",
        tend: { every: "12h", takes: "4m", what: "turn" },
        uses: [{ what: "fridge", litres: 4 }],
      }),
      hands("rinse", "Rinse and dry", "10m 12m 15m", {
        after: [{ step: "cure", max: "4h", limit: "safety" }],
        ...makes("cured", [hold("fridge", "3d", "safety", { litres: 3, min: "4h" })]),
      }),
      hands("slice", "Slice thinly", "20m 25m 35m", {
        ...takes("cured"),
        ...makes("sliced", [hold("fridge", "4h", "quality", { litres: 2 })]),
      }),
    ]),
    part("potatoes", "vegetable", [
      hands("scrub", "Scrub them", "10m"),
      alone("boil", "Boil them", "18m 23m 32m", {
        uses: [{ what: "burner" }, { what: "pot", litres: 4 }],
        ...makes("boiled", [hold("hot", "25m", "quality")]),
      }),
    ]),
    part("cream", "sauce", [
      hands("stir", "Stir the dill cream", "10m 12m 15m", makes("cream", [hold("fridge", "1d", "safety", { litres: 0.5 })])),
    ]),
    part("table", "assembly", [hands("plate", "Plate", "8m 10m 13m", takes("trout.sliced", "potatoes.boiled", "cream.cream"))]),
  ],
);

const twoCooks = {
  cooks: [
    {
      id: "ivo",
      name: "Ivo",
      hours: [
        { days: "mon-fri", from: "18:00", to: "22:00" },
        { days: "sat-sun", from: "09:00", to: "22:00" },
      ],
    },
    { id: "lena", name: "Lena", hours: [{ days: "sat-sun", from: "10:00", to: "21:00" }] },
  ],
  equipment: [
    { id: "oven", kind: "oven", racks: 2, maxC: 250 },
    { id: "hob", kind: "burner", count: 4 },
    { id: "pot-1", kind: "pot", litres: 10 },
    { id: "pot-2", kind: "pot", litres: 6 },
    { id: "fridge", kind: "fridge", litres: 40 },
    { id: "roller", kind: "roller" },
    { id: "freezer", kind: "freezer", litres: 20 },
    { id: "trays", kind: "tray", count: 4 },
  ],
};
const filledPasta = dish(
  "filled-pasta",
  "Filled pasta in clear broth, two cooks",
  "2026-02-15T19:00",
  "2026-02-12T18:00",
  "table.ladle",
  [
    part("broth", "stock", [
      hands("start", "Put the bones on", "15m 20m 25m", { uses: [{ what: "pot", litres: 8, until: "strain" }] }),
      near("simmer", "Simmer", "3h 3h30m 4h", {
        stretch: "30m",
        tend: { every: "45m", takes: "3m", what: "skim" },
        uses: [{ what: "burner" }],
      }),
      hands("strain", "Strain it", "10m 12m 15m", { after: [{ step: "simmer", max: "30m", limit: "safety" }] }),
      alone("cool", "Cool in an ice bath", "45m 1h 1h30m", {
        after: [{ step: "strain", max: "15m", limit: "safety" }],
        ...makes("broth", [fridge3d]),
      }),
      near("heat", "Bring to the boil", "15m 20m 28m", {
        ...takes("broth"),
        boils: true,
        uses: [{ what: "burner" }, { what: "pot", litres: 5 }],
        handsStart: "3m",
        ...makes("hot", [hold("hot", "45m", "quality")]),
      }),
    ]),
    part("filling", "filling", [
      hands("cook", "Cook the filling", "30m 40m 55m", { uses: [{ what: "burner" }] }),
      alone("chill", "Chill the filling", "1h30m 2h 3h", { ...makes("filling", [hold("fridge", "2d", "safety", { litres: 1.5 })]) }),
    ]),
    part("dough", "dough", [
      hands("knead", "Knead the pasta dough", "15m 18m 24m"),
      alone("rest", "Rest it", "40m", makes("dough", [hold("counter", "3h", "quality")])),
    ]),
    part("pasta", "pasta", [
      hands("shape", "Roll and fill", "1h 1h20m 1h50m", {
        after: [],
        ...takes("filling.filling", "dough.dough"),
        split: { minPiece: "20m" },
        uses: [{ what: "roller" }],
        ...makes("shaped", [hold("fridge", "8h", "quality", { litres: 3 }), hold("freezer", "30d", "quality", { litres: 3 })]),
      }),
    ]),
    part("table", "assembly", [
      hands("boil", "Cook the pasta", "5m 6m 8m", { after: [], ...takes("pasta.shaped", "broth.hot"), uses: [{ what: "burner" }] }),
      hands("ladle", "Ladle and serve", "5m 7m 9m", { after: [{ step: "boil", max: "2m", limit: "quality" }] }),
    ]),
  ],
  twoCooks,
);

const sausageBake = dish("sausage-bake", "White beans baked with sausage and duck", "2026-01-25T13:30", "2026-01-21T18:00", "table.serve", [
  part("duck", "cure", [
    hands("salt", "Salt the legs", "10m 12m 15m"),
    alone("cure", "Cure", "20h 24h 30h", {
      stretch: "6h",
      uses: [{ what: "fridge", litres: 3 }],
      ...makes("cured", [hold("fridge", "1d", "safety", { litres: 3 })]),
    }),
    near("confit", "Cook slowly in fat", "2h30m 3h 3h45m", {
      ...takes("cured"),
      ...oven(110),
      handsStart: "5m",
      ...makes("confit", [hold("fridge", "14d", "safety", { litres: 3 })]),
    }),
  ]),
  part("sausage", "sausage", [
    hands("mix", "Mix and form the sausages", "40m 50m 65m", makes("raw", [hold("fridge", "1d", "safety", { litres: 2 })])),
    hands("brown", "Brown them", "15m 20m 25m", {
      ...takes("raw"),
      uses: [{ what: "burner" }],
      ...makes("browned", [hold("fridge", "2d", "safety", { litres: 2 })]),
    }),
  ]),
  part("beans", "vegetable", [
    alone("soak", "Soak the beans", "10h 12h 18h", makes("soaked", [hold("counter", "4h", "quality")])),
    near("simmer", "Simmer them", "1h 1h20m 1h50m", {
      ...takes("soaked"),
      handsStart: "5m",
      uses: [{ what: "burner" }, { what: "pot", litres: 6 }],
      ...makes("beans", [hold("fridge", "2d", "safety", { litres: 3 })]),
    }),
  ]),
  part("bake", "braise", [
    hands("layer", "Layer the pot", "20m 25m 30m", { after: [], ...takes("beans.beans", "duck.confit", "sausage.browned") }),
    near("bake", "Bake, breaking the crust", "2h 2h30m 3h", {
      after: [{ step: "layer", max: "30m", limit: "quality" }],
      ...oven(150, 2),
      tend: { every: "40m", takes: "3m", what: "break the crust" },
      ...makes("baked", [hold("hot", "1h", "quality", { min: "15m" })]),
    }),
  ]),
  part("table", "assembly", [hands("serve", "Bring to the table", "4m 5m 8m", takes("bake.baked"))]),
]);

const layerCake = dish("layer-cake", "Layer cake with custard and pear", "2026-04-05T15:00", "2026-04-03T18:00", "table.cut", [
  part("sponge", "sweet", [
    hands("whisk", "Whisk the batter", "20m 25m 30m"),
    near("bake", "Bake the layers", "25m 30m 38m", {
      after: [{ step: "whisk", max: "5m", limit: "quality" }],
      ...oven(175, 2),
      ...makes("baked", [hold("counter", "2d", "quality", { min: "1h30m" })]),
    }),
  ]),
  part("custard", "filling", [
    hands("cook", "Cook the custard", "15m 20m 25m", { uses: [{ what: "burner" }] }),
    alone("cool", "Cool in an ice bath", "30m 45m 1h", {
      after: [{ step: "cook", max: "10m", limit: "safety" }],
      ...makes("custard", [hold("fridge", "2d", "safety", { litres: 1, min: "2h" })]),
    }),
  ]),
  part("pears", "sweet", [
    hands("peel", "Peel the pears", "15m 20m 25m"),
    near("poach", "Poach", "20m 30m 45m", {
      uses: [{ what: "burner" }],
      ...makes("pears", [hold("fridge", "3d", "quality", { litres: 1.5, min: "2h" })]),
    }),
  ]),
  part("cake", "assembly", [
    hands("build", "Build the cake", "30m 40m 50m", { after: [], ...takes("sponge.baked", "custard.custard", "pears.pears") }),
    alone("set", "Set in the fridge", "6h 8h 10h", {
      stretch: "8h",
      uses: [{ what: "fridge", litres: 8 }],
      ...makes("set", [hold("fridge", "1d", "safety", { litres: 8 })]),
    }),
  ]),
  part("table", "assembly", [
    hands("glaze", "Glaze it", "10m 15m 20m", { after: [], ...takes("cake.set") }),
    hands("cut", "Cut and serve", "8m 10m 12m", { after: [{ step: "glaze", max: "1h", limit: "quality" }] }),
  ]),
]);

const friedChicken = dish(
  "brined-chicken",
  "Brined chicken, fermented pepper sauce, pickled beans",
  "2026-08-15T19:00",
  "2026-08-06T18:00",
  "table.serve",
  [
    part("sauce", "ferment", [
      hands("chop", "Chop and salt the peppers", "25m 30m 40m"),
      alone("ferment", "Ferment", "6d 7d 8d", { stretch: "1d", tend: { every: "1d", takes: "2m", what: "press down" } }),
      hands("blend", "Blend it", "10m 12m 15m", {
        after: [{ step: "ferment", max: "1d", limit: "quality" }],
        ...makes("sauce", [hold("fridge", "60d", "quality", { litres: 1 })]),
      }),
    ]),
    part("beans", "pickle", [
      hands("jar", "Jar the beans", "20m 25m 30m", {
        uses: [{ what: "burner" }],
        ...makes("beans", [hold("fridge", "30d", "quality", { litres: 1, min: "2d", best: ["3d", "20d"] })]),
      }),
    ]),
    part("chicken", "cure", [
      hands("brine", "Brine the chicken", "15m 18m 24m"),
      alone("soak", "Leave in the brine", "8h 10h 12h", { stretch: "4h", uses: [{ what: "fridge", litres: 6 }] }),
      hands("dredge", "Dredge", "15m 20m 25m", { after: [{ step: "soak", max: "2h", limit: "safety" }] }),
      hands("fry", "Fry in batches", "30m 40m 55m", {
        after: [{ step: "dredge", max: "30m", limit: "quality" }],
        uses: [{ what: "burner" }, { what: "pot", litres: 5 }],
        ...makes("fried", [hold("hot", "30m", "quality")]),
      }),
    ]),
    part("table", "assembly", [hands("serve", "Serve", "4m 5m 8m", takes("chicken.fried", "sauce.sauce", "beans.beans"))]),
  ],
);

const onionTart = dish("onion-tart", "Onion tart with soured cream and walnuts", "2026-10-03T13:00", "2026-10-01T18:00", "table.slice", [
  part("cream", "dairy", [
    hands("stir", "Stir the culture in", "5m"),
    alone("sour", "Sour the cream", "12h 16h 22h", { stretch: "4h", ...makes("cream", [hold("fridge", "7d", "safety", { litres: 0.7 })]) }),
  ]),
  part("pastry", "dough", [
    hands("rub", "Make the pastry", "15m 18m 24m"),
    alone("chill", "Chill", "1h", { stretch: "1d" }),
    hands("line", "Line the tin", "12m 15m 20m", {
      uses: [{ what: "tin", until: "tart.bake" }],
      after: [{ step: "chill", max: "1d", limit: "quality" }],
    }),
    near("blind", "Bake blind", "22m 28m 36m", { ...oven(190), ...makes("case", [hold("counter", "8h", "quality")]) }),
  ]),
  part("onions", "vegetable", [
    hands("slice", "Slice the onions", "15m 20m 26m"),
    near("sweat", "Cook down slowly", "50m 1h10m 1h40m", {
      tend: { every: "10m", takes: "2m", what: "stir" },
      uses: [{ what: "burner" }],
      ...makes("onions", [hold("fridge", "2d", "quality", { litres: 1 }), hold("counter", "2h", "quality")]),
    }),
  ]),
  part("tart", "assembly", [
    hands("fill", "Fill the case", "8m 10m 13m", { after: [], ...takes("pastry.case", "onions.onions", "cream.cream") }),
    near("bake", "Bake", "30m 38m 50m", {
      after: [{ step: "fill", max: "15m", limit: "quality" }],
      ...oven(180),
      ...makes("baked", [hold("counter", "2h", "quality", { min: "10m", best: ["20m", "1h"] })]),
    }),
  ]),
  part("table", "assembly", [hands("slice", "Slice and serve", "5m 6m 8m", { after: [], ...takes("tart.baked") })]),
]);

const roastGoose = dish("roast-goose", "Roast goose, dumplings and red cabbage", "2026-12-13T14:00", "2026-12-10T18:00", "table.carve", [
  part("goose", "roast", [
    hands("dry", "Salt and dry the goose", "20m 25m 30m"),
    alone("air", "Dry in the fridge", "20h 24h 36h", { stretch: "12h", uses: [{ what: "fridge", litres: 12 }] }),
    hands("stuff", "Stuff it", "15m 20m 25m", { after: [{ step: "air", max: "3h", limit: "safety" }] }),
    near("roast", "Roast, basting", "2h40m 3h15m 4h", {
      after: [{ step: "stuff", max: "15m", limit: "safety" }],
      ...oven(165),
      tend: { every: "30m", takes: "4m", what: "baste" },
      ...makes("roasted", [hold("hot", "50m", "quality", { min: "20m", best: ["25m", "40m"] })]),
    }),
  ]),
  part("cabbage", "braise", [
    hands("shred", "Shred the cabbage", "20m 25m 30m"),
    near("braise", "Braise", "1h15m 1h30m 2h", {
      handsStart: "5m",
      uses: [{ what: "burner" }, { what: "pot", litres: 5 }],
      ...makes("cabbage", [hold("fridge", "3d", "safety", { litres: 2.5, best: ["12h", "2d"] }), hold("hot", "1h", "quality")]),
    }),
    near("warm", "Warm it", "15m 20m 30m", {
      ...takes("cabbage"),
      uses: [{ what: "burner" }],
      ...makes("hot", [hold("hot", "40m", "quality")]),
    }),
  ]),
  part("dumplings", "dough", [
    hands(
      "shape",
      "Shape the dumplings",
      "25m 30m 40m",
      makes("raw", [hold("fridge", "1d", "quality", { litres: 2 }), hold("counter", "40m", "quality")]),
    ),
    near("poach", "Poach", "18m 22m 28m", {
      ...takes("raw"),
      uses: [{ what: "burner" }, { what: "pot", litres: 6 }],
      handsStart: "4m",
      ...makes("poached", [hold("hot", "15m", "quality")]),
    }),
  ]),
  part("gravy", "sauce", [
    hands("make", "Make the gravy", "12m 15m 20m", {
      after: [{ step: "goose.roast", max: "40m", limit: "quality" }],
      uses: [{ what: "burner" }],
      ...makes("gravy", [hold("hot", "30m", "quality")]),
    }),
  ]),
  part("table", "assembly", [
    hands("carve", "Carve and serve", "12m 15m 20m", takes("goose.roasted", "cabbage.hot", "dumplings.poached", "gravy.gravy")),
  ]),
]);

const terrine = dish(
  "country-terrine",
  "Country terrine with pickled plums and toast",
  "2026-09-19T19:30",
  "2026-09-15T18:00",
  "table.plate",
  [
    part("terrine", "other", [
      hands("mince", "Mince and season", "30m 35m 45m"),
      alone("rest", "Rest overnight", "10h", { stretch: "12h", uses: [{ what: "fridge", litres: 3 }] }),
      hands("fill", "Line and fill the tin", "20m 25m 30m", { after: [{ step: "rest", max: "12h", limit: "safety" }] }),
      near("bake", "Bake in a water bath", "1h20m 1h40m 2h10m", { after: [{ step: "fill", max: "30m", limit: "safety" }], ...oven(150) }),
      alone("press", "Cool and press", "2h", {
        after: [{ step: "bake", max: "20m", limit: "safety" }],
        ...makes("pressed", [hold("fridge", "5d", "safety", { litres: 3, min: "1d", best: ["36h", "3d"] })]),
      }),
    ]),
    part("plums", "pickle", [
      hands("pickle", "Pickle the plums", "20m 25m 30m", {
        uses: [{ what: "burner" }],
        ...makes("plums", [hold("fridge", "20d", "quality", { litres: 1, min: "1d" })]),
      }),
    ]),
    part("toast", "grain", [
      hands("toast", "Toast the bread", "6m 8m 11m", { ...oven(220), ...makes("toast", [hold("hot", "8m", "quality")]) }),
    ]),
    part("table", "assembly", [
      hands("slice", "Slice the terrine", "8m 10m 12m", { after: [], ...takes("terrine.pressed") }),
      hands("plate", "Plate", "6m 8m 10m", {
        after: [{ step: "slice", max: "30m", limit: "quality" }],
        ...takes("plums.plums", "toast.toast"),
      }),
    ]),
  ],
);

const steamedBuns = dish(
  "steamed-buns",
  "Steamed buns with braised beef and greens",
  "2026-11-22T18:30",
  "2026-11-20T18:00",
  "table.serve",
  [
    part("beef", "braise", [
      hands("sear", "Sear the beef", "20m 25m 32m", { uses: [{ what: "burner" }, { what: "pot", litres: 5, until: "braise" }] }),
      near("braise", "Braise", "2h30m 3h 4h", {
        after: [{ step: "sear", max: "10m", limit: "quality" }],
        uses: [{ what: "burner" }],
        stretch: "20m",
        ...makes("braised", [hold("fridge", "2d", "safety", { litres: 2.5, best: ["8h", "2d"] }), hold("hot", "2h", "safety")]),
      }),
      near("reheat", "Reheat and reduce", "20m 28m 40m", {
        ...takes("braised"),
        uses: [{ what: "burner" }],
        handsStart: "3m",
        handsEnd: "5m",
        ...makes("glazed", [hold("hot", "40m", "quality")]),
      }),
    ]),
    part("buns", "dough", [
      hands("knead", "Knead the bun dough", "15m 18m 25m"),
      alone("rise", "First rise", "1h 1h20m 1h50m", { after: [{ step: "knead", max: "5m", limit: "quality" }] }),
      hands("shape", "Shape the buns", "25m 30m 40m", { after: [{ step: "rise", max: "20m", limit: "quality" }] }),
      alone("prove", "Prove", "25m 35m 45m", { after: [{ step: "shape", max: "5m", limit: "quality" }] }),
      near("steam", "Steam in two batches", "11m 12m 14m", {
        batches: 2,
        after: [{ step: "prove", max: "12m", limit: "quality" }],
        handsStart: "2m",
        uses: [{ what: "burner" }, { what: "pot", litres: 6 }],
        ...makes("steamed", [hold("hot", "20m", "quality")]),
      }),
    ]),
    part("greens", "vegetable", [
      hands("wash", "Wash the greens", "10m 12m 15m", makes("washed", [hold("fridge", "1d", "quality", { litres: 2 })])),
      hands("fry", "Stir-fry", "5m 6m 8m", {
        ...takes("washed"),
        uses: [{ what: "burner" }],
        ...makes("fried", [hold("hot", "8m", "quality")]),
      }),
    ]),
    part("table", "assembly", [hands("serve", "Fill and serve", "5m 6m 9m", takes("beef.glazed", "buns.steamed", "greens.fried"))]),
  ],
);

export const REHEARSAL_DISHES: readonly DishFile[] = [
  beanStew,
  smokedShoulder,
  ryeLoaf,
  curedTrout,
  filledPasta,
  sausageBake,
  layerCake,
  friedChicken,
  onionTart,
  roastGoose,
  terrine,
  steamedBuns,
];
