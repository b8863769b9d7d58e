import { useNavigate } from "react-router";

import { Choice } from "../../ui/Choice";
import { Room, RoomHead } from "../../ui/Room";
import { BakesView } from "./BakesView";
import { CompareView } from "./CompareView";
import { TaughtView } from "./taught/TaughtView";

const VIEWS = [
  { value: "bakes", label: "Bakes" },
  { value: "taught", label: "What it taught" },
] as const;

/** What happened, and what it taught. */
export function LogbookRoom({ view }: { view: "bakes" | "taught" | "compare" }) {
  const go = useNavigate();
  return (
    <Room>
      <RoomHead
        title="Logbook"
        views={
          <Choice
            label="What to look at"
            value={view === "compare" ? "bakes" : view}
            options={VIEWS}
            onChange={(next) => void go(next === "taught" ? "/logbook/taught" : "/logbook")}
          />
        }
      />
      {view === "taught" ? <TaughtView /> : view === "compare" ? <CompareView /> : <BakesView />}
    </Room>
  );
}
