using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a plan takes that is not on the vehicle yet.</summary>
public class ShoppingListTests
{
    private readonly Workshop _shop = new();

    private ShoppingList List(Plan? of = null)
    {
        var d = _shop.Document;
        var plan = of ?? d.DraftPlan() ?? d.BegunPlan()!;
        var prediction = JobEvaluator.Evaluate(d).Predictions.Single(p => p.PlanId == plan.Id);
        return ShoppingList.Of(d, plan, prediction, _shop.Shelf);
    }

    private Part Priced(int count, decimal? price = 35, string? currency = "EUR")
    {
        var part = _shop.Plates(count) with
        {
            Price = price,
            Currency = currency,
            Supplier = "Vale Springs",
        };
        return _shop.Shelf[part.Id] = part;
    }

    [Fact]
    public void What_is_not_here_is_ordered_and_the_sum_stands_with_and_without_what_is()
    {
        _shop.ReadBefore();
        var plate = Priced(1);
        _shop.Do(_shop.PlanWith(plate));
        var list = List();
        var line = list.Lines[0];
        Assert.Equal(
            (BuyKind.Part, "plate T-1", "front", 2, 1),
            (line.Kind, line.What, line.Where, line.Count, line.ToOrder)
        );
        Assert.Equal(
            ((decimal?)35m, "EUR", "Vale Springs", (DateOnly?)null),
            (line.Price, line.Currency, line.Supplier, line.DueOn)
        );
        Assert.Equal([new BuySum("EUR", 70, 35)], list.Sums);
        Assert.Equal((true, null, 0), (list.Waits, list.DueOn, list.Unpriced));

        _shop.Shelf[plate.Id] = plate with { DueOn = new DateOnly(2027, 4, 30) };
        Assert.Equal(new DateOnly(2027, 4, 30), List().DueOn);
        // What is here waits for nothing, whatever else is ordered of it.
        _shop.Shelf[plate.Id] = plate with
        {
            DueOn = new DateOnly(2027, 4, 30),
            Count = 2,
        };
        var here = List();
        Assert.Equal((false, null, 0), (here.Waits, here.DueOn, here.Lines[0].ToOrder));
        Assert.Null(here.Lines[0].DueOn);
        Assert.Equal([new BuySum("EUR", 70, 0)], here.Sums);
    }

    [Fact]
    public void The_last_that_comes_holds_the_job_and_what_nobody_knows_leaves_it_open()
    {
        _shop.ReadBefore();
        var (soon, late) = (Priced(0, null), Priced(0, 20, null) with { Name = "ring" });
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                _shop.Key(),
                null,
                _shop.Document.CurrentStage()!.Id,
                "Plan A",
                [
                    new CornerPlacingsInput(
                        Corner.LF,
                        [
                            new PlacingInput(_shop.Key(), soon.Id),
                            new PlacingInput(_shop.Key(), late.Id),
                        ]
                    ),
                    new CornerPlacingsInput(Corner.LR, [new PlacingInput(_shop.Key(), late.Id)]),
                ]
            )
        );
        Due(new DateOnly(2027, 4, 30), null);
        Assert.Equal((true, null), (List().Waits, List().DueOn));
        Due(new DateOnly(2027, 4, 30), new DateOnly(2027, 5, 2));
        var list = List();
        Assert.Equal(new DateOnly(2027, 5, 2), list.DueOn);
        Assert.Equal(1, list.Unpriced);
        Assert.Equal([new BuySum("", 40, 40)], list.Sums);
        Assert.Equal(
            ["left front", "front and rear"],
            list.Lines.Where(l => l.Kind == BuyKind.Part).Select(l => l.Where)
        );

        void Due(DateOnly? first, DateOnly? second)
        {
            _shop.Shelf[soon.Id] = soon with { DueOn = first };
            _shop.Shelf[late.Id] = late with { DueOn = second };
        }
    }

    [Fact]
    public void What_was_begun_has_left_the_shelf_and_a_setting_comes_from_none()
    {
        _shop.ReadBefore();
        var plate = Priced(2);
        _shop.Do(_shop.PlanWith(plate));
        _shop.Do(_shop.Begin());
        Assert.Equal(0, _shop.Shelf[plate.Id].Count);
        Assert.False(List().Waits);
        var stage = _shop.Document.CurrentStage()!;
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                _shop.Key(),
                null,
                stage.Id,
                "Plan B",
                [
                    .. stage.Stacks.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [
                            .. s.Parts.Select(p => new PlacingInput(p.Id, null)),
                            new PlacingInput(_shop.Key(), null, Workshop.Typed("1/2", Unit.Inch)),
                        ]
                    )),
                ]
            )
        );
        Assert.DoesNotContain(List().Lines, l => l.Kind == BuyKind.Part);
    }

    [Fact]
    public void Fasteners_that_are_never_used_again_stand_with_their_joints_unless_there_is_no_such_joint()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(Priced(2)));
        var plan = _shop.Document.DraftPlan()!;
        // By the card itself, joint by joint.
        var never = Progress
            .CardOf(_shop.Document, plan)
            .Joints.SelectMany(j => j.Fasteners.Select(f => (j.Where, j.Place, Fastener: f)))
            .Where(f => f.Fastener.NewPartOnly)
            .ToArray();
        Assert.NotEmpty(never);
        var lines = List().Lines.Where(l => l.Kind == BuyKind.Fastener).ToArray();
        Assert.Equal(
            never.Select(f =>
                ($"{Bare(f.Where, f.Place)}: {f.Fastener.Position}", (int?)f.Fastener.Count)
            ),
            lines.Select(l => (l.What, l.Count))
        );
        Assert.All(lines, l => Assert.Equal("never used again", l.Why));

        _shop.Do(_shop.Begin());
        var joint = _shop.Document.Joints.First(j => j.Place == never[0].Place);
        void Change(Joint to) =>
            _shop.Document = _shop.Document with
            {
                Joints = [.. _shop.Document.Joints.Select(j => j.Id == to.Id ? to : j)],
            };
        Change(joint with { None = true });
        Assert.DoesNotContain(List().Lines, IsOf);
        // What the shop found is what it buys.
        Change(
            joint with
            {
                Fasteners =
                [
                    new Fastener
                    {
                        Position = "foot bolt",
                        Count = 2,
                        Thread = "M12 × 1.25",
                        LengthFound = Sample.Mm(70),
                        LengthNeeded = Sample.Mm(90),
                    },
                    new Fastener { Position = "washer", Count = 4 },
                ],
            }
        );
        var own = List().Lines.Single(IsOf);
        Assert.Equal(
            (
                $"{Bare(joint.Where, joint.Place)}: foot bolt, M12 × 1.25, 3 9/16 in (90 mm) long",
                "another length",
                2
            ),
            (own.What, own.Why, own.Count)
        );

        bool IsOf(BuyLine l) =>
            l.Where == joint.Where
            && l.What.StartsWith(Bare(joint.Where, joint.Place), StringComparison.Ordinal);
        // Where it is stands beside it, not before its name as well.
        static string Bare(string where, string place) =>
            place.StartsWith(where + " ", StringComparison.Ordinal)
                ? place.Remove(0, where.Length + 1)
                : place;
    }

    [Fact]
    public void What_keeps_threads_from_turning_is_on_the_list_once_for_each_sort()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(Priced(2)));
        _shop.Do(_shop.Begin());
        var plan = _shop.Document.BegunPlan()!;
        var opened = Progress.CardOf(_shop.Document, plan).Joints.Select(j => j.Place).ToArray();
        string?[] lockers = ["Medium", "medium ", "dry", null, "strong", "lost"];
        _shop.Document = _shop.Document with
        {
            Joints =
            [
                .. _shop.Document.Joints.Select(j =>
                    Array.IndexOf(opened, j.Place) is var i and >= 0 && i < lockers.Length
                        ? j with
                        {
                            // A joint that this vehicle does not have wants none.
                            None = lockers[i] == "lost",
                            Fasteners =
                            [
                                new Fastener
                                {
                                    Position = "bolt",
                                    Count = 3,
                                    Threadlocker = lockers[i],
                                },
                            ],
                        }
                        : j
                ),
            ],
        };
        (string, string?)[] Kept() =>
            [
                .. List(plan)
                    .Lines.Where(l => l is { Kind: BuyKind.Fastener, Where: "vehicle" })
                    .Select(l => (l.What, l.Why)),
            ];
        Assert.Equal(
            [
                ("threadlocker: Medium", "for 6 fasteners"),
                ("threadlocker: strong", "for 3 fasteners"),
            ],
            Kept()
        );
        _shop.Do(new ChooseSchool(_shop.Key(), _shop.Key(), "threads", "dryNewNuts", "the shop's"));
        Assert.Equal(("new locking nuts", "this job's way, for all that is opened"), Kept()[^1]);
        _shop.Do(new ChooseSchool(_shop.Key(), _shop.Key(), "threads", "locker", "the sheet's"));
        Assert.Equal("threadlocker", Kept()[^1].Item1);
    }

    [Fact]
    public void Bolts_of_body_mounts_grow_by_the_pucks_that_come_at_their_corner()
    {
        _shop.ReadBefore();
        var puck = _shop.Plates(4) with
        {
            Kind = PartKind.BodyPuck,
            Name = "puck",
            Thickness = Sample.Mm(25),
        };
        _shop.Shelf[puck.Id] = puck;
        _shop.Do(_shop.PlanWith(puck, corners: [Corner.LF, Corner.RF, Corner.LR, Corner.RR]));
        BuyLine[] Bolts() =>
            [
                .. List()
                    .Lines.Where(l =>
                        l.What.Contains("mount", StringComparison.Ordinal)
                        && l.Kind == BuyKind.Fastener
                    ),
            ];
        Assert.Equal(8, Bolts().Length);
        Assert.All(
            Bolts(),
            b =>
            {
                Assert.EndsWith(
                    "1 in (25 mm) longer than the old one",
                    b.What,
                    StringComparison.Ordinal
                );
                Assert.StartsWith("old length and what", b.Why, StringComparison.Ordinal);
            }
        );
        _shop.Do(_shop.Begin());
        _shop.Document = _shop.Document with
        {
            Joints =
            [
                .. _shop.Document.Joints.Select(j =>
                    j.Kind == JointKind.Cushion
                        ? j with
                        {
                            Fasteners =
                            [
                                .. j.Fasteners.Select(f => f with { LengthFound = Sample.Mm(100) }),
                            ],
                        }
                        : j
                ),
            ],
        };
        Assert.All(
            Bolts(),
            b => Assert.EndsWith($"{LengthText.Both(125)} long", b.What, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_stands_beside_the_parts_comes_in_three_words_and_work_last()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(Priced(2)));
        var list = List();
        var beside = list.Lines.Where(l => l.Kind is BuyKind.Beside or BuyKind.Work).ToArray();
        Assert.Equal(beside.OrderBy(l => l.Kind).ThenBy(l => l.Word), beside);
        Assert.Contains(
            beside,
            l =>
                l is { Kind: BuyKind.Work, Word: Consequence.Must, Where: "front" }
                && l.What.StartsWith("Toe and camber", StringComparison.Ordinal)
        );
        Assert.Contains(
            beside,
            l =>
                l is { Kind: BuyKind.Beside, Word: Consequence.Must }
                && l.What.StartsWith("New top nuts", StringComparison.Ordinal)
        );
        Assert.Contains(beside, l => l.Word == Consequence.Check);
        var prediction = JobEvaluator.Evaluate(_shop.Document).Predictions[0];
        Assert.Equal(prediction.Companions.Count(c => !c.Placed), beside.Length);
    }
}
