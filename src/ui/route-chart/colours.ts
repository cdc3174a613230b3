// The colour of a line follows the kind of its component: copper for what meets heat, leaf for what grows, beet for acid …
const KIND_COLOURS: Readonly<Record<string, string>> = {
  dough: "var(--copper)",
  batter: "var(--copper)",
  pasta: "var(--copper)",
  stock: "var(--ochre)",
  sauce: "var(--ochre)",
  dairy: "var(--ochre)",
  cure: "var(--rim)",
  sausage: "var(--rim)",
  pickle: "var(--beet)",
  ferment: "var(--beet)",
  filling: "var(--leaf)",
  vegetable: "var(--leaf)",
  garnish: "var(--leaf)",
  grain: "var(--leaf)",
  roast: "var(--rust)",
  braise: "var(--rust)",
  sweet: "var(--plum)",
  oil: "var(--olive)",
  dry: "var(--olive)",
  assembly: "var(--ink)",
  other: "var(--teal)",
};

export const colourOf = (kind: string) => KIND_COLOURS[kind] ?? "var(--teal)";
