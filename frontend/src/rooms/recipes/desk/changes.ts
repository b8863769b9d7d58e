import type { Card, CardComponent, CardLine, CardStep } from "../../../api/client";

/** Changes of a card as plain functions; what a line means is read by the kitchen, not here. */

export const withLine = (card: Card, line: CardLine): Card => ({
  ...card,
  lines: card.lines.map((one) => (one.key === line.key ? line : one)),
});

export function withNewLine(card: Card, line: CardLine): Card {
  const last = card.lines.map((one) => one.component).lastIndexOf(line.component);
  const place = last < 0 ? card.lines.length : last + 1;
  return { ...card, lines: [...card.lines.slice(0, place), line, ...card.lines.slice(place)] };
}

/** A card without a line; swaps and ties that began at it go with it. */
export const withoutLine = (card: Card, key: number): Card => ({
  ...card,
  lines: card.lines.filter((one) => one.key !== key),
  variants: card.variants.map((variant) => ({
    ...variant,
    swaps: variant.swaps.filter((swap) => swap.line !== key),
  })),
  steps: card.steps.map((step) => ({
    ...step,
    ties: step.ties.filter((tie) => tie.line !== key),
  })),
});

/** A line moved one place up or down within its component. */
export function withLineMoved(card: Card, key: number, by: -1 | 1): Card {
  const line = card.lines.find((one) => one.key === key);
  if (!line) return card;
  const kin = card.lines.filter((one) => one.component === line.component);
  const other = kin[kin.indexOf(line) + by];
  if (!other) return card;
  return {
    ...card,
    lines: card.lines.map((one) => (one === line ? other : one === other ? line : one)),
  };
}

export const withComponent = (card: Card, component: CardComponent): Card => ({
  ...card,
  components: card.components.map((one) => (one.key === component.key ? component : one)),
});

export const withStep = (card: Card, step: CardStep): Card => ({
  ...card,
  steps: card.steps.map((one) => (one.key === step.key ? step : one)),
});

export function withStepMoved(card: Card, key: number, by: -1 | 1): Card {
  const place = card.steps.findIndex((one) => one.key === key);
  const [step, other] = [card.steps[place], card.steps[place + by]];
  if (!step || !other) return card;
  return {
    ...card,
    steps: card.steps.map((one) => (one === step ? other : one === other ? step : one)),
  };
}

export const nextKey = (rows: readonly { key: number }[]): number =>
  Math.max(0, ...rows.map((row) => row.key)) + 1;
