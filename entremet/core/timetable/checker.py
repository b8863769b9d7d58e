"""Every bound of a timetable looked at again; nothing here is shared with the planner."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import combinations, pairwise

from entremet.core.ground.quantities import celsius
from entremet.core.timetable.model import LATE_MIN, Means, Placed
from entremet.core.work.cold import INTO_THE_FRIDGE_MIN, WARM_MOST_MIN
from entremet.core.work.ids import WorkKind
from entremet.core.work.work import Lane


def broken(placed: Sequence[Placed], means: Means) -> list[str]:
    """Return what is wrong with a timetable, a sentence each; nothing for a sound one.

    Parameters
    ----------
    placed : sequence of Placed
        The timetable. What is done is the past and is not judged.
    means : Means
        What the kitchen has.
    """
    return [*_bounds(placed, means), *_times(placed, means), *_shared(placed, means),
            *_ovens(placed, means), *_knobs(placed, means), *_cold(placed)]


def _bounds(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    by_key = {one.task.id: one for one in placed}
    for one in placed:
        if one.done:
            continue
        for after in one.task.waits:
            before = by_key.get(after.on)
            if before is None:
                continue
            gap = one.start - before.end
            if gap < after.least_min:
                yield f"{one.task.words} starts {after.least_min - gap} min too soon."
            late = before.done and means.now is not None and one.start <= means.now + LATE_MIN
            if after.most_min is not None and gap > after.most_min and not late:
                yield f"{one.task.words} starts {gap - after.most_min} min too late."


def _times(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    for one in placed:
        if one.done:
            continue
        if one.task.due is not None and one.end > one.task.due:
            yield f"{one.task.words} is over {one.end - one.task.due} min after it is due."
        if one.task.earliest is not None and one.start < one.task.earliest and not one.fixed:
            yield f"{one.task.words} is so early that it is over when the cake is due."
        if means.now is not None and one.start < means.now and not one.fixed:
            yield f"{one.task.words} starts in the past."
        up = one.end if one.task.awake else one.start + 1
        if one.task.begun_awake and not any(start <= one.start and up <= end
                                            for start, end in means.windows):
            yield f"{one.task.words} is outside the hours of the kitchen."


def _shared(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    rows: list[tuple[str, int, _Using]] = [
        ("hands", means.hands, [(one, 1, one.start, one.end) for one in placed
                                if one.task.lane is Lane.HANDS]),
        ("mixing bowls", means.bowls, [(one, 1, one.start, one.end) for one in placed
                                       if one.task.bowl])]
    yield from _too_many(rows)
    yield from _too_many([("boards of fridge room", means.boards, _held(placed, "")), *(
        (label, owned, _held(placed, label)) for label, owned in means.pans.items())])


_Using = list[tuple[Placed, int, int, int]]


def _held(placed: Sequence[Placed], pan: str) -> _Using:
    """Return who holds a pan, or boards where none is named: how many, from when to when."""
    by_id = {one.task.id: one for one in placed}
    found: _Using = []
    for one in placed:
        own = one.task.pans.get(pan, 0) if pan else one.task.boards
        if own:
            found.append((one, own, one.start, one.end))
        for hold in one.task.holds:
            if hold.pan != pan:
                continue
            ends = by_id.get(hold.until) if hold.until is not None else None
            until = hold.until_min if hold.until is None else (
                one.end if ends is None else ends.start)
            if until is not None and until > one.start:
                found.append((one, hold.count, one.start, until))
    return found


def _too_many(rows: Sequence[tuple[str, int, _Using]]) -> Iterator[str]:
    for name, limit, using in rows:
        for moment in sorted({start for _, _, start, _ in using}):
            there = [(one, count) for one, count, start, end in using if start <= moment < end]
            if sum(count for _, count in there) > limit and not all(
                    one.done for one, _ in there):
                yield (f"{sum(count for _, count in there)} {name} are wanted at once, there are "
                       f"{limit}: {', '.join(one.task.words for one, _ in there)}.")


def _cold(placed: Sequence[Placed]) -> Iterator[str]:
    """Say what must be cold and stands about, not in the fridge."""
    for one in placed:
        if one.task.cold and one.task.lane is Lane.STANDS and not one.done:
            yield f"{one.task.words} stands warm, and has to be cold."
    for cake in dict.fromkeys(one.task.id.cake for one in placed if one.task.cold):
        own = sorted((one for one in placed if one.task.cold and one.task.id.cake == cake),
                     key=lambda one: one.start)
        hands = sum(one.task.minutes for one in own if one.task.lane is Lane.HANDS)
        hands += sum(one.task.minutes for one in placed if one.task.kind is WorkKind.DRIVE
                     and one.task.id.cake is not None and cake is not None
                     and one.task.id.cake.order == cake.order)
        ends = min((one.start for one in placed if one.task.kind is WorkKind.DRIVE
                    and one.task.id.cake is not None and cake is not None
                    and one.task.id.cake.order == cake.order), default=max(
                        (hold.until_min or 0 for hold in own[-1].task.holds), default=0))
        gaps = [after.start - one.end for one, after in pairwise(own) if not after.done]
        gaps.append(ends - own[-1].end)
        short = [gap for gap in gaps if 0 < gap < INTO_THE_FRIDGE_MIN]
        # What hands alone take too long for is no fault of the plan's, and is told of apart.
        if hands <= WARM_MOST_MIN < hands + sum(short):
            yield (f"{own[0].task.words} and after: {hands + sum(short)} min out of the fridge, "
                   f"{WARM_MOST_MIN} at most.")


def _knobs(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    """Say where an oven is set for one bake while another is in it."""
    by_id = {one.task.id: one for one in placed}
    for place, oven in enumerate(means.ovens):
        bakes = [one for one in placed if one.oven == place and one.task.heat is not None]
        for one in bakes:
            heat = one.task.heat
            turned = None if heat is None or heat.on is None else by_id.get(heat.on)
            if heat is None or turned is None or one.done or turned.done:
                continue
            for other in bakes:
                second = other.task.heat
                if second is not None and abs(second.c - heat.c) >= 0.5 and (
                        other.start < one.start) and turned.start < other.end:
                    yield (f"{oven.name} is set to {celsius(heat.c)} while {other.task.words} is "
                           f"in it at {celsius(second.c)}.")


def _ovens(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    for place, oven in enumerate(means.ovens):
        bakes = [one for one in placed if one.oven == place and one.task.heat is not None]
        for one, other in combinations(sorted(bakes, key=lambda bake: bake.start), 2):
            heat, second = one.task.heat, other.task.heat
            if heat is None or second is None or (one.done and other.done):
                continue
            if abs(heat.c - second.c) >= 0.5 and other.start < one.end + oven.change_min:
                yield (f"{oven.name} has {celsius(heat.c)} and {celsius(second.c)} to be at once "
                       f"or too near: {one.task.words}, {other.task.words}.")
        for bake in bakes:
            inside = sum(one.task.heat.shelves for one in bakes
                         if one.task.heat is not None and one.start <= bake.start < one.end)
            if inside > oven.shelves:
                yield f"{oven.name} has {oven.shelves} shelves and {inside} are wanted."
    for one in placed:
        if one.task.heat is not None and one.oven is None:
            yield f"{one.task.words} has no oven."
        elif one.task.heat is not None and one.oven is not None and not one.done and not (
                one.oven < len(means.ovens) and means.ovens[one.oven].takes(one.task.heat)):
            yield f"{one.task.words} is in an oven that it is not timed for."
