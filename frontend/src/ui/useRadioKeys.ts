import { useRef } from "react";
import type { KeyboardEvent } from "react";

/** Arrow keys that move between the options of a radio group, round its ends. */
export function useRadioKeys<T extends string>(
  options: readonly { value: T }[],
  value: T,
  onChange: (value: T) => void,
) {
  const group = useRef<HTMLDivElement>(null);
  const chosen = options.findIndex((option) => option.value === value);
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = (chosen + step + options.length) % options.length;
    const option = options[next];
    if (!option) return;
    onChange(option.value);
    group.current?.querySelectorAll<HTMLElement>('[role="radio"]')[next]?.focus();
  };
  /** Tab stops once in a group: at the chosen option, or the first where none is. */
  const tabIndex = (place: number) => (place === Math.max(chosen, 0) ? 0 : -1);
  return { group, onKeyDown, tabIndex };
}
