"""From a cake of an order to the tasks of its days."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.finished.finish import Finish
from entremet.core.finished.parts import FinishPart
from entremet.core.finished.steps import FinishStep
from entremet.core.ground.reference import read_table
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import Load, loads_of
from entremet.core.plan.plan import Plan
from entremet.core.tasks.tasks import Bound, Resource, Task, TaskKind, tasks_of
from entremet.core.timetable.model import DAY_MIN, After, DayTask, Heat, Lane

COMPONENTS = read_table("entremet.core.timetable", "components.toml")

SOFT_MIN, SOFT_MOST_MIN = 60, 180
"""Butter and eggs out of the fridge before a creamed batter: at least, and at most; practice."""

TURN_OUT_LATE_MIN, LOAD_LATE_MIN = 15, 60
"""How long a pan may stand past its time, and a full oven be put off for hands; practice."""

HOT_MOST_MIN = 45
"""How long a hot oven stands empty at most; practice."""

BARE_KEEPS_MIN = 2 * DAY_MIN
"""Wrapped layers keep so long before they are finished; practice."""

BOX_MIN, WASH_MIN, INSCRIBE_MIN = 9, 35, 10
"""Board, box and label; washing after a whole cake; an inscription; practice, half to double."""

CHILLED = frozenset({"chill_crumb", "chill_coat"})
"""Waits that a fridge board is taken for."""

AT_MOST = {"press": 5, "drip": 10}
"""Steps that come so soon after the one before; practice."""

STEP_OF_USE = {"dam": "filling", "hollow": "filling", "dip2": "dip", "dip3": "dip"}


@dataclass(frozen=True, slots=True, kw_only=True)
class OrderedCake:
    """A cake of an order: its fit, its finish, when it has to stand in its box.

    Parameters
    ----------
    order, key, label : str
        Whose it is; names it within all days; what it is called.
    plan : Plan
        Its fit.
    finish : Finish
        Its finish.
    due : int
        When it is collected or taken away, minutes.
    drive_min : int
        Between its box and there.
    inscription : str
        To be piped on it; empty for none.
    pace : float
        Hands against a practised person's; 1.7 for a beginner.
    """

    order: str
    key: str
    label: str
    plan: Plan
    finish: Finish
    due: int
    drive_min: int = 0
    inscription: str = ""
    pace: float = 1.0


def cake_tasks(cake: OrderedCake) -> list[DayTask]:
    """Return the tasks of one cake, each after those it waits for.

    Parameters
    ----------
    cake : OrderedCake
        What is made; a fit that fills nothing has no tasks.
    """
    loads, _ = loads_of(oven_items(cake.plan.pans), cake.plan.oven)
    made = tasks_of(cake.plan, loads)
    if not made:
        return []
    found = list(_baking(cake, made, loads))
    layers = [one.key for one in found if one.key.split("/")[-1].startswith("turn_out")]
    found += _finishing(cake, layers or [found[-1].key])
    return found


def hands_min(tasks: Sequence[DayTask]) -> int:
    """Return the minutes that hands are busy."""
    return sum(one.minutes for one in tasks if one.lane is Lane.HANDS)


def _key(cake: OrderedCake, name: str) -> str:
    return f"{cake.key}/{name}"


def _hands(cake: OrderedCake, name: str, words: str, minutes: float, *, why: str = "practice",
           after: Sequence[After] = (), bowl: bool = False, pans: dict[str, int] | None = None,
           due: int | None = None) -> DayTask:
    return DayTask(
        key=_key(cake, name), order=cake.order, cake=cake.key, words=words, lane=Lane.HANDS,
        minutes=max(1, math.ceil(minutes * cake.pace - 1e-9)), why=why, after=tuple(after),
        bowl=bowl, pans=pans or {}, due=due)


def _stands(cake: OrderedCake, name: str, words: str, minutes: float, *, why: str,
            after: Sequence[After], chilled: bool = False) -> DayTask:
    return DayTask(
        key=_key(cake, name), order=cake.order, cake=cake.key, words=words, why=why,
        lane=Lane.FRIDGE if chilled else Lane.STANDS, boards=1 if chilled else 0,
        minutes=max(1, math.ceil(minutes - 1e-9)), after=tuple(after))


def _baking(cake: OrderedCake, made: Sequence[Task], loads: Sequence[Load]) -> Iterator[DayTask]:
    soft = cake.plan.recipe.style.traits.chills
    if soft:
        yield _stands(cake, "take_out", "Butter and eggs out of the fridge", SOFT_MIN, after=(),
                      why="soft for creaming; practice, 30 to 120 min")
    for task in made:
        name = task.key.replace(" ", "")
        after = [_after(cake, bound) for bound in task.bounds if bound.after != "heat"]
        pans = {hold.what: hold.count for hold in task.holds if hold.resource is Resource.PAN}
        words = task.words if cake.label in task.words else f"{task.words} · {cake.label}"
        minutes = task.minutes.value
        match task.kind:
            case TaskKind.HEAT:
                dial = loads[0].dial if loads else ""
                yield _hands(cake, "heat", f"{cake.plan.oven.name} on, {dial} · {cake.label}", 1,
                             why=f"hot after {_preheat(cake)} min; leave it on if it is")
            case TaskKind.BAKE:
                load = loads[int(task.key.split()[-1])]
                if name == "bake0":
                    after.append(After(
                        key=_key(cake, "heat"), least_min=_preheat(cake),
                        most_min=_preheat(cake) + HOT_MOST_MIN,
                        why="hot when the batter is ready, and not for an hour before"))
                latest = task.latest_min or minutes
                shelves = max(1, sum(1 for shelf in load.shelves if shelf))
                yield DayTask(
                    key=_key(cake, name), order=cake.order, cake=cake.key, words=words,
                    lane=Lane.OVEN, minutes=max(1, math.ceil(latest)), after=tuple(after),
                    pans=pans, why=f"{load.dial}; likely {minutes:.0f} min, planned as no later "
                    f"than {latest:.0f}", heat=Heat(
                        c=_heat_c(cake.plan, load), shelves=shelves,
                        kind=cake.plan.oven.kind.value,
                        preheat_min=_preheat(cake)))
                yield _hands(cake, f"out{name}", f"Out of the oven · {cake.label}", 1,
                             after=(After(key=_key(cake, name), most_min=2,
                                          why="a bake waits for nobody"),))
            case TaskKind.STAND:
                yield _stands(cake, name, words, max(1.0, minutes), why=task.minutes.note,
                              after=[_after_out(cake, one) for one in after])
            case TaskKind.TURN_OUT:
                yield _hands(cake, name, words, minutes, why=task.minutes.note, after=[
                    After(key=one.key, most_min=TURN_OUT_LATE_MIN, why="it sticks when it waits")
                    for one in after])
            case TaskKind.MIX:
                if soft:
                    after.append(After(key=_key(cake, "take_out"), most_min=SOFT_MOST_MIN,
                                       why="not for hours on the worktop"))
                yield _hands(cake, name, words, minutes, why=task.minutes.note, after=after,
                             bowl=True)
            case TaskKind.FILL:
                yield _hands(cake, name, words, minutes, why=task.minutes.note, pans=pans, after=[
                    After(key=one.key, most_min=LOAD_LATE_MIN, why="the batter is mixed")
                    if "/mix" in one.key else one for one in after])
            case TaskKind.WEIGH | TaskKind.LINE:
                yield _hands(cake, name, words, minutes, why=task.minutes.note, after=after)


def _preheat(cake: OrderedCake) -> int:
    return max(1, math.ceil(cake.plan.oven.preheat.value))


def _after(cake: OrderedCake, bound: Bound) -> After:
    most = None if bound.most_min is None else max(1, math.floor(bound.most_min))
    return After(key=_key(cake, bound.after.replace(" ", "")), most_min=most, why=bound.why)


def _after_out(cake: OrderedCake, one: After) -> After:
    name = one.key.split("/")[-1]
    return After(key=_key(cake, f"out{name}"), most_min=2) if name.startswith("bake") else one


def _heat_c(plan: Plan, load: Load) -> float:
    return next((bake.oven.oven_c for item in load.items
                 if (bake := plan.pans[item.entry].bake) is not None), 0.0)


def _finishing(cake: OrderedCake, layers: Sequence[str]) -> Iterator[DayTask]:
    steps = [one for one in cake.finish.steps if one.key != "out"]
    cool = next((one for one in steps if one.key == "cool"), None)
    cold = list(layers)
    if cool is not None and cool.wait_min >= 1:
        yield _stands(cake, "cool", f"Cools · {cake.label}", cool.wait_min, why=cool.sign,
                      after=[After(key=key) for key in layers])
        cold = [_key(cake, "cool")]
    before, previous = cold, ""
    uses = _first_uses(cake.finish.parts)
    made = {key for step in steps for key in uses if uses[key] == step.key}
    for part in cake.finish.parts:
        if part.key in uses:
            yield _component(cake, part)
    names = [one for one in steps if one.key != "cool"]
    for place, step in enumerate(names):
        after = [After(key=key, most_min=_at_most(step.key, previous, bare=place == 0),
                       why="") for key in before]
        after += [_from_component(cake, part) for part in cake.finish.parts
                  if uses.get(part.key) == step.key]
        tail = _key(cake, step.key)
        if step.hands_min >= 0.5:
            yield _hands(cake, step.key, f"{step.name} · {cake.label}", step.hands_min,
                         why=step.sign, after=after)
            before, after = [tail], []
        if step.wait_min >= 1:
            name = f"{step.key}_wait" if step.hands_min >= 0.5 else step.key
            yield _stands(cake, name, f"{_waits(step)} · {cake.label}", step.wait_min,
                          why=step.sign, after=after or [After(key=key) for key in before],
                          chilled=step.key in CHILLED)
            before = [_key(cake, name)]
        previous = step.key
    if cake.inscription:
        yield _hands(cake, "inscribe", f"“{cake.inscription}” · {cake.label}", INSCRIBE_MIN,
                     after=[After(key=key) for key in before])
        before = [_key(cake, "inscribe")]
    loose = [_from_component(cake, part) for part in cake.finish.parts
             if part.key in uses and part.key not in made]
    yield _hands(cake, "box", f"Board, box, label · {cake.label}", BOX_MIN,
                 after=[*(After(key=key) for key in before), *loose],
                 due=cake.due - cake.drive_min,
                 why="what is not food is counted out" + (
                     f"; {cake.drive_min} min on the way" if cake.drive_min else ""))
    # Before it is boxed: whoever drives does not wash up.
    yield _hands(cake, "wash", f"Wash up · {cake.label}", WASH_MIN,
                 due=cake.due - cake.drive_min - math.ceil(BOX_MIN * cake.pace),
                 after=[After(key=key) for key in layers])


def _waits(step: FinishStep) -> str:
    return step.name if step.hands_min < 0.5 else f"After “{step.name.lower()}”"


def _at_most(key: str, previous: str, *, bare: bool) -> int | None:
    if key in AT_MOST and previous in ("coat", "chill_coat"):
        return AT_MOST[key]
    return BARE_KEEPS_MIN if bare else None


def _first_uses(parts: Sequence[FinishPart]) -> dict[str, str]:
    """Return by component the step it is first used at; what is made by nobody is left out."""
    return {part.key: STEP_OF_USE.get(part.uses[0].key, part.uses[0].key) for part in parts
            if part.uses and part.make_g >= 1 and part.uses[0].key not in ("top", "press")}


def _row(part: FinishPart) -> dict[str, float]:
    key = "drip" if part.kind == "ganache" and all(
        use.key == "drip" for use in part.uses) else part.kind
    row: dict[str, float] = COMPONENTS.get(key, COMPONENTS["other"])
    return row


def component_key(cake: OrderedCake, part: str) -> str:
    """Return the key of the task that makes a component of a cake."""
    return _key(cake, _made(part))


def _made(part: str) -> str:
    return f"make_{part.replace(':', '_')}"


def _component(cake: OrderedCake, part: FinishPart) -> DayTask:
    row = _row(part)
    return _hands(cake, _made(part.key), f"Make {part.title} · {cake.label}",
                  row["hands"], why=f"{part.make_g:.0f} g; keeps "
                  f"{row['keeps_days']:g} days made ahead, practice")


def _from_component(cake: OrderedCake, part: FinishPart) -> After:
    row = _row(part)
    return After(key=component_key(cake, part.key),
                 least_min=int(row["ready"]), most_min=max(
                     int(row["ready"]) + 30, int(row["keeps_days"] * DAY_MIN)),
                 why=f"{part.title} is ready after {row['ready']:g} min")
