import type { EggChoice, Fit } from "../../../api/client";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import type { FitChoicesInHand } from "../shared/useFitChoices";

type Eggs = NonNullable<Fit["eggs"]>;

interface EggChoicesProps {
  eggs: Eggs;
  choose: FitChoicesInHand["choose"];
}

/** Ways to settle the eggs, each with what it does to the depth; opens from their own line. */
export function EggChoices({ eggs, choose }: EggChoicesProps) {
  const chosen = eggs.options.find((option) => option.choice === eggs.choice);
  if (eggs.options.length < 2 || !chosen) return null;
  return (
    <Opens label="Eggs" words={chosen.effect} quiet>
      {(close) => (
        <PickList<EggChoice>
          label="Eggs"
          value={eggs.choice}
          options={eggs.options.map((option) => ({
            value: option.choice,
            label: option.text,
            does: option.effect,
          }))}
          onChange={(choice) => {
            choose({ eggs: choice });
            close();
          }}
        />
      )}
    </Opens>
  );
}
