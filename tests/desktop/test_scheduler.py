"""The one scheduler: what is looked at goes first, all stands back for the picture, nothing runs twice or is lost."""

import threading
import time

import pytest

from photometra.desktop.scheduler import LATER, LOOKED_AT, PATIENCE_S, Scheduler, Work


@pytest.fixture
def scheduler():
    made = Scheduler(threads=1)
    yield made
    made.shut_down()


def wait_until(holds, patience=5.0):
    end = time.monotonic() + patience
    while not holds():
        assert time.monotonic() < end
        time.sleep(0.002)


def blocked(scheduler):
    """Keep the one thread busy until the event that comes back is set."""
    gate, begun = threading.Event(), threading.Event()
    scheduler.submit(Work("gate", LOOKED_AT), lambda: (begun.set(), gate.wait(5.0)))
    assert begun.wait(5.0)
    return gate


def test_what_is_looked_at_goes_before_the_rest_whatever_came_first(scheduler):
    gate, order = blocked(scheduler), []
    for name, priority in (("a", LATER), ("b", LOOKED_AT), ("c", LATER), ("d", LOOKED_AT)):
        scheduler.submit(Work(name, priority), lambda n=name: order.append(n))
    gate.set()
    wait_until(lambda: len(order) == 4)
    assert order == ["b", "d", "a", "c"]


def test_of_one_kind_of_work_the_newest_runs_and_never_two_at_once():
    scheduler, work, running, seen, most = Scheduler(threads=4), Work("w"), [], [], []

    def job(n):
        running.append(n)
        most.append(len(running))
        time.sleep(0.01)
        running.remove(n)
        seen.append(n)

    for n in range(60):
        scheduler.submit(work, lambda n=n: job(n))
        time.sleep(0.001)
    wait_until(lambda: work.is_idle)
    scheduler.shut_down()
    assert max(most) == 1 and seen == sorted(seen) and seen[-1] == 59 and len(seen) < 60


def test_work_stands_back_until_the_first_picture_or_its_patience_ends(scheduler):
    done = []
    scheduler.picture_pending(True)
    began = time.monotonic()
    scheduler.submit(Work("a"), lambda: done.append(time.monotonic() - began))
    time.sleep(0.05)
    assert done == []
    scheduler.picture_pending(False)
    wait_until(lambda: done)
    assert done[0] < PATIENCE_S
    scheduler.picture_pending(True)
    began = time.monotonic()
    scheduler.submit(Work("b"), lambda: done.append(time.monotonic() - began))
    wait_until(lambda: len(done) == 2)
    assert done[1] >= 0.9 * PATIENCE_S


def test_changes_that_never_pause_hold_nothing_up_for_ever(scheduler):
    done = []
    scheduler.picture_pending(True)
    scheduler.submit(Work("a"), lambda: done.append(True))
    for _ in range(200):
        scheduler.picture_pending(True)
        if done:
            return
        time.sleep(0.02)
    raise AssertionError("still waiting after four seconds of steady changes")


def test_a_cancelled_job_never_runs_and_an_end_waits_for_what_runs(scheduler):
    gate, done, work = blocked(scheduler), [], Work("w")
    scheduler.submit(work, lambda: done.append(1))
    scheduler.cancel(work)
    gate.set()
    time.sleep(0.05)
    assert done == [] and work.is_idle
    slow, begun = Work("slow"), threading.Event()
    scheduler.submit(slow, lambda: (begun.set(), time.sleep(0.2), done.append(2)))
    assert begun.wait(5.0)
    scheduler.end(slow)
    assert done == [2]
    scheduler.submit(slow, lambda: done.append(3))
    time.sleep(0.05)
    assert done == [2]


def test_a_job_that_fails_takes_no_thread_along(scheduler):
    done = []
    scheduler.submit(Work("bad"), lambda: done.append(1) or 1 / 0)
    wait_until(lambda: done)
    scheduler.submit(Work("good"), lambda: done.append(2))
    wait_until(lambda: len(done) == 2)
