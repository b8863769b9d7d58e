import { Button } from "@mui/material";
import { Link, useNavigate } from "react-router";

import { Choice } from "../../ui/Choice";
import { Room, RoomHead } from "../../ui/Room";
import { ClassView } from "./ClassView";
import { GuessView } from "./GuessView";
import { SpoilView } from "./SpoilView";

const VIEWS = [
  { value: "guess", label: "Guess first" },
  { value: "spoil", label: "Spoil it" },
  { value: "class", label: "A class" },
] as const;

type View = (typeof VIEWS)[number]["value"];

/** A small room to learn and to teach in: nothing is baked, and nothing is kept but counts. */
export function LearnRoom({ view }: { view: View }) {
  const go = useNavigate();
  return (
    <Room>
      <RoomHead
        title="Learn"
        views={
          <Choice
            label="What to do"
            value={view}
            options={VIEWS}
            onChange={(next) => void go(next === "guess" ? "/learn" : `/learn/${next}`)}
          />
        }
        more={
          <Button component={Link} to="/guide" variant="outlined">
            Guide
          </Button>
        }
      />
      {view === "guess" && <GuessView />}
      {view === "spoil" && <SpoilView />}
      {view === "class" && <ClassView />}
    </Room>
  );
}
