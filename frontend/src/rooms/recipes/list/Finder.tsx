import { Box, Button, FormControlLabel, Switch } from "@mui/material";

import type { RecipeSearch } from "../../../api/queries/recipes";
import { typedCount } from "../../../domain/numbers";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import { Stepper } from "../../../ui/Stepper";

export type Finding = Pick<RecipeSearch, "feeds" | "hands_min" | "all_min" | "uses_up" | "sort">;

interface FinderProps {
  finding: Finding;
  onChange: (finding: Finding) => void;
}

/** What a card has to do besides its words: feed so many, be done in so long, use up what is left. */
export function Finder({ finding, onChange }: FinderProps) {
  const change = (part: Finding) => onChange({ ...finding, ...part });
  return (
    <>
      <Opens label="What to find" words={findWords(finding)} quiet>
        {() => (
          <Box sx={{ display: "grid", gap: 1.25, minWidth: 260 }}>
            <AtMost
              label="Feeds at least"
              value={finding.feeds ?? 0}
              step={2}
              onChange={(feeds) => change({ feeds })}
            />
            <AtMost
              label="Minutes of hands, at most"
              value={finding.hands_min ?? 0}
              step={15}
              onChange={(hands_min) => change({ hands_min })}
            />
            <AtMost
              label="Hours in all, at most"
              value={(finding.all_min ?? 0) / 60}
              step={1}
              onChange={(hours) => change({ all_min: hours === null ? null : hours * 60 })}
            />
            <FormControlLabel
              control={
                <Switch
                  checked={finding.uses_up ?? false}
                  onChange={(event) => change({ uses_up: event.target.checked })}
                />
              }
              label="Uses up something left over"
              sx={{ m: 0, minHeight: 44 }}
            />
            <Button
              size="small"
              onClick={() => onChange(finding.sort ? { sort: finding.sort } : {})}
            >
              Anything
            </Button>
          </Box>
        )}
      </Opens>
      <Opens label="In which order" words={SORTS[finding.sort ?? "kitchen"]} quiet>
        {(close) => (
          <PickList
            label="In which order"
            value={finding.sort ?? "kitchen"}
            options={(["kitchen", "baked", "quick"] as const).map((value) => ({
              value,
              label: SORTS[value],
            }))}
            onChange={(sort) => {
              change({ sort });
              close();
            }}
          />
        )}
      </Opens>
    </>
  );
}

const SORTS = {
  kitchen: "your order",
  baked: "baked last first",
  quick: "quickest first",
} as const;

function AtMost(props: {
  label: string;
  value: number;
  step: number;
  onChange: (value: number | null) => void;
}) {
  const { label, value, step, onChange } = props;
  return (
    <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between", gap: 1 }}>
      <span aria-hidden>{label}</span>
      <Stepper
        label={label}
        value={value}
        least={0}
        step={step}
        read={typedCount}
        write={(number) => (number === 0 ? "any" : String(number))}
        onChange={(number) => onChange(number === 0 ? null : number)}
      />
    </Box>
  );
}

function findWords(finding: Finding): string {
  const words = [
    finding.feeds ? `feeds ${String(finding.feeds)}` : "",
    finding.hands_min ? `${String(finding.hands_min)} min of hands` : "",
    finding.all_min ? `${String(finding.all_min / 60)} h in all` : "",
    finding.uses_up ? "uses up what is left" : "",
  ].filter(Boolean);
  return words.join(", ") || "any card";
}
