"""From a cake of an order to its work: its batter, its components, its finish, its box."""

from __future__ import annotations

import re
from collections.abc import Generator, Iterator, Sequence

from entremet.core.finished.parts import FinishPart
from entremet.core.finished.steps import FinishStep
from entremet.core.ground.findings import Finding, warn
from entremet.core.ground.quantities import cm
from entremet.core.ground.reference import read_table
from entremet.core.ground.wording import listed
from entremet.core.keeping.keeping import parts_made
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import loads_of
from entremet.core.loading.waiting import waiting_of
from entremet.core.work.baking import SOFT_MIN, SOFT_MOST_MIN, baking, mixes_wanted
from entremet.core.work.cake import OrderedCake
from entremet.core.work.cold import kept_cold
from entremet.core.work.fresh import kept_fresh, made_for
from entremet.core.work.getting_ready import topping_min
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.own_waits import WaitsOfCake, waits_of, whole_min
from entremet.core.work.work import Lane, Wait, Work

COMPONENTS = read_table("entremet.core.work", "components.toml")

DAY_MIN = 24 * 60

BARE_KEEPS_MIN = 2 * DAY_MIN
"""Wrapped layers keep so long before they are finished; practice."""

HAND_OVER_MIN = 5
"""A cake is handed over in so long; practice, 3 to 10."""

BOX_MIN, WASH_MIN, INSCRIBE_MIN = 9, 35, 10
"""Board, box and label; washing after a whole cake; an inscription; practice, half to double."""

COLD_TIERS_MIN, FIRST_TIER_MIN, TIER_MIN = 240, 10, 15
"""Tiers are cold through for so long before they are stacked; to begin with, and for each that is
set on another with its supports measured, cut and put in; practice, 3 h to overnight, 5 to 15 and
10 to 25."""

SOFT_BUTTER = frozenset({"buttercream", "meringue_buttercream"})
"""Components that are beaten with soft butter."""

ON_THE_STACK = frozenset({"border", "top"})
"""Steps that come once tiers stand on each other."""

WASH_LATE_MIN = 180
"""So long after a cake is handed over all is washed up at the latest; practice, 1 to 4 h."""

AT_ONCE_MIN = 5
"""What chills goes into the fridge within so many minutes; practice, 2 to 10 min."""

CHILLED = frozenset({"chill_crumb", "chill_coat"})
"""Waits that a fridge board is taken for."""

AT_MOST = {"press": 5, "drip": 10}
"""Steps that come so soon after the one before; practice."""

SOAKED_WARM_MIN = 20
"""A cake is soaked warm within so long of being turned out; practice, 10 to 30 min."""

STEP_OF_USE = {"dam": "filling", "hollow": "filling", "filling2": "filling",
               "filling3": "filling", "filling4": "filling", "dip2": "dip", "dip3": "dip"}


def works_of(cake: OrderedCake) -> list[Work]:
    """Return the work of one cake, each piece after those it waits for.

    Parameters
    ----------
    cake : OrderedCake
        What is made; a fit that fills nothing has no work.
    """
    loads, _ = loads_of(oven_items(cake.plan.pans), cake.plan.oven)
    found = baking(cake, loads)
    if not found:
        return []
    layers = [one.id for one in found if one.kind is WorkKind.TURN_OUT]
    return kept_fresh(cake, [
        *found, *kept_cold(cake, list(_finishing(cake, layers or [found[-1].id])))])


def works_of_all(cakes: Sequence[OrderedCake]) -> list[Work]:
    """Return the work of some cakes, and of taking each order where it goes.

    Parameters
    ----------
    cakes : sequence of OrderedCake
        What is made; those of one order are driven together.
    """
    found = {cake.id: works_of(cake) for cake in cakes}
    driven = [work for order in dict.fromkeys(cake.id.order for cake in cakes)
              for work in _drive([cake for cake in cakes
                                  if cake.id.order == order and found[cake.id]])]
    return [*(work for works in found.values() for work in works), *driven]


def _drive(cakes: Sequence[OrderedCake]) -> Iterator[Work]:
    """Yield the way of an order there and back, by the same hands, once all of it is in boxes."""
    if not cakes or not cakes[0].drive_min:
        return
    first = cakes[0]
    there = first.work_id(WorkKind.DRIVE)
    back_min = HAND_OVER_MIN + first.drive_min
    yield Work(id=there, order=first.order, lane=Lane.HANDS,
               words=f"On the way · {first.order}", minutes=first.drive_min, due=first.due,
               why="handed over when it is due", waits=tuple(
                   Wait(on=cake.work_id(WorkKind.BOX)) for cake in cakes))
    yield Work(id=first.work_id(WorkKind.BACK), order=first.order, lane=Lane.HANDS,
               words=f"Handed over and back · {first.order}", minutes=back_min,
               due=first.due + back_min, why="the same way, and a word at the door; practice",
               waits=(Wait(on=there, most_min=0),))


def batter_findings(cakes: Sequence[OrderedCake]) -> list[Finding]:
    """Return a warning for each cake whose batter waits longer for a later load than it may.

    Parameters
    ----------
    cakes : sequence of OrderedCake
        Some cakes; of copies the first is told of.
    """
    found = []
    for cake in cakes:
        loads, _ = loads_of(oven_items(cake.plan.pans), cake.plan.oven)
        waits = None if cake.id.copy else mixes_wanted(cake, loads)
        if waits is not None:
            may = waiting_of(cake.plan.recipe, start=cake.plan.treatment.start)
            found.append(warn(
                "batter_waits", f"{cake.label} of {cake.order} goes into the oven in {len(loads)} "
                f"loads, and batter for a later one waits about {waits:.0f} min; "
                f"{may.minutes.value:.0f} at most: {may.words}.", subject=cake.label,
                hint="Mix it in as many bowls as there are loads, or take pans that go in "
                     "together."))
    return found


def _finishing(cake: OrderedCake, layers: Sequence[WorkId]) -> Iterator[Work]:
    steps = [one for one in cake.finish.steps if one.key != "out"]
    before = list(layers)
    own = waits_of(cake.plan)
    uses = _first_uses(cake.finish.parts)
    for part in cake.finish.parts:
        if part.key in uses:
            yield from _component(cake, part, own)
    previous, warm, bare = "", True, False
    late = [step for step in steps if step.key == "top" and _comes_last(cake)]
    steps = [step for step in steps if step not in late]
    to_stack = cake.finish.stacked is not None
    for step in steps:
        if to_stack and step.key in ON_THE_STACK:
            before, to_stack = [(yield from _stacked(cake, before))], False
        if step.key == "cool":
            warm, bare = False, True
            if step.wait_min >= 1:
                yield cake.stands(cake.work_id(WorkKind.COOL), f"Cools · {cake.label}",
                                  step.wait_min, why=step.sign,
                                  waits=[Wait(on=one) for one in before])
                before = [cake.work_id(WorkKind.COOL)]
            continue
        # Of several layers the last to be turned out is the one to be quick with.
        waits = [Wait(on=one, most_min=SOAKED_WARM_MIN if one == before[-1] else None)
                 if warm else Wait(on=one, most_min=_at_most(step.key, previous, bare=bare))
                 for one in before]
        bare = False
        waits += [_made(cake, part, own) for part in cake.finish.parts
                  if uses.get(part.key) == step.key]
        if step.hands_min >= 0.5:
            name = _finish_id(cake, step)
            yield cake.hands(name, f"{step.name} · {cake.label}", _hands_min(cake, step),
                             why=step.sign, waits=waits)
            before, waits = [name], []
        if step.wait_min >= 1:
            name = _wait_id(cake, step)
            at_once = AT_ONCE_MIN if name.kind is WorkKind.CHILL else None
            yield cake.stands(name, f"{_waits(step)} · {cake.label}", step.wait_min,
                              why=step.sign, waits=waits or [
                                  Wait(on=one, most_min=at_once) for one in before])
            before = [name]
        previous = step.key
    if to_stack:
        before = [(yield from _stacked(cake, before))]
    if cake.inscription:
        name = cake.work_id(WorkKind.FINISH, part="inscribe")
        yield cake.hands(name, f"“{cake.inscription}” · {cake.label}", INSCRIBE_MIN,
                         waits=[Wait(on=one) for one in before])
        before = [name]
    if own.cake is not None:
        name = cake.work_id(WorkKind.CHILL, part="set")
        yield cake.stands(name, f"Sets in the fridge · {cake.label}", own.cake.least_min,
                          why=f"as the recipe says: “{own.cake.words}”",
                          waits=[Wait(on=one, most_min=AT_ONCE_MIN) for one in before])
        before = [name]
    for step in late:
        name = _finish_id(cake, step)
        yield cake.hands(name, f"{step.name} · {cake.label}", _hands_min(cake, step),
                         why=step.sign, waits=[Wait(on=one) for one in before])
        before = [name]
    steps_done = {step.key for step in steps}
    loose = [_made(cake, part, own) for part in cake.finish.parts
             if part.key in uses and uses[part.key] not in steps_done]
    tall = "" if cake.finish.stacked is None else f" at least {cm(cake.finish.stacked.box_cm)} high"
    yield cake.hands(cake.work_id(WorkKind.BOX), f"Board, box{tall}, label · {cake.label}", BOX_MIN,
                     waits=[*(Wait(on=one) for one in before), *loose],
                     due=cake.due - cake.drive_min,
                     why="what is not food is counted out" + (
                         f"; {cake.drive_min} min on the way" if cake.drive_min else ""))
    yield cake.hands(cake.work_id(WorkKind.WASH), f"Wash up · {cake.label}", WASH_MIN,
                     waits=[Wait(on=one) for one in layers], due=cake.due + WASH_LATE_MIN,
                     why="where it fits, never just before it is handed over; practice")


def _stacked(cake: OrderedCake, before: Sequence[WorkId]) -> Generator[Work, None, WorkId]:
    """Yield what makes one of tiers: cold through, then supports and stacking; returns the last."""
    cold = cake.work_id(WorkKind.CHILL, part="tiers_cold")
    yield cake.stands(cold, f"Tiers cold through · {cake.label}", COLD_TIERS_MIN,
                      why="four hours cold before they are stacked; practice, 3 h to overnight",
                      waits=[Wait(on=one, most_min=AT_ONCE_MIN) for one in before])
    stack = cake.work_id(WorkKind.FINISH, part="stack")
    counts = [f"{one.count} of {cm(one.height_cm)} under {one.above}"
              for one in cake.finish.supports]
    yield cake.hands(stack, f"Supports, stack · {cake.label}",
                     FIRST_TIER_MIN + TIER_MIN * len(cake.finish.supports),
                     why=f"{listed(counts)}; who has done it goes first", waits=[Wait(on=cold)])
    return stack


def _hands_min(cake: OrderedCake, step: FinishStep) -> float:
    return step.hands_min + (topping_min(cake.plan) if step.key == "top" else 0.0)


def _comes_last(cake: OrderedCake) -> bool:
    """Say whether what lies on top weeps, wilts or melts in: cut fruit, and what is dusted."""
    tops = {part.key for part in cake.finish.parts for use in part.uses if use.key == "top"}
    return any(key in tops and kept.key == "fresh_fruit"
               for key, kept in parts_made(cake.plan, cake.finish)) or any(
        _DUSTED.search(made.name) for part in cake.finish.parts if part.key in tops
        for made in part.made_from)


_DUSTED = re.compile(r"\b(?:icing|powdered|confectioners?['’]?s?) sugar\b|\bdust\w*|"
                     r"\bcocoa\b(?! (?:nibs?|butter))", re.IGNORECASE)


def _finish_id(cake: OrderedCake, step: FinishStep) -> WorkId:
    kind = WorkKind.LEVEL if step.key == "level" else WorkKind.FINISH
    return cake.work_id(kind, part=step.key)


def _wait_id(cake: OrderedCake, step: FinishStep) -> WorkId:
    name = f"{step.key}_wait" if step.hands_min >= 0.5 else step.key
    return cake.work_id(WorkKind.CHILL if step.key in CHILLED else WorkKind.WAIT, part=name)


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


def _component(cake: OrderedCake, part: FinishPart, own: WaitsOfCake) -> Iterator[Work]:
    row, wait = _row(part), own.parts.get(part.key)
    said = "" if wait is None else f"; then as the recipe says: “{wait.words}”"
    soft = []
    if part.kind in SOFT_BUTTER and any("butter" in one.name.lower() for one in part.made_from):
        name = cake.work_id(WorkKind.TAKE_OUT, part=part.key)
        yield cake.stands(name, f"Butter for {part.title} out of the fridge · {cake.label}",
                          SOFT_MIN, waits=(), why="soft to be beaten; practice, 30 to 120 min")
        soft = [Wait(on=name, why="not for hours on the worktop", most_min=SOFT_MOST_MIN)]
    yield cake.hands(made_for(cake, part.key), f"Make {part.title} · {cake.label}",
                     row["hands"], why=f"{part.make_g:.0f} g; keeps "
                     f"{_time(row['keeps_days'])} made ahead, practice{said}", waits=soft)


def _time(days: float) -> str:
    """Return how long something keeps in words.

    >>> _time(0.05), _time(0.2), _time(1), _time(5)
    ('an hour', '5 h', 'a day', '5 days')
    """
    hours = round(days * 24)
    if hours < 24:
        return "an hour" if hours <= 1 else f"{hours} h"
    return "a day" if days == 1 else f"{days:g} days"


def _made(cake: OrderedCake, part: FinishPart, own: WaitsOfCake) -> Wait:
    """Return the wait for a component: as long as the recipe says, else as its kind takes."""
    row, wait = _row(part), own.parts.get(part.key)
    ready = int(row["ready"]) if wait is None else whole_min(wait)
    return Wait(on=made_for(cake, part.key), least_min=ready, most_min=max(
        ready + 30, int(row["keeps_days"] * DAY_MIN)),
        why=f"{part.title} is ready after {ready} min" + (
            "" if wait is None else ", as the recipe says"))
