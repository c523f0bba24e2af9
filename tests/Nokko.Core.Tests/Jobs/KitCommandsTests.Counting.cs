using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

public partial class KitCommandsTests
{
    [Fact]
    public void What_nobody_counted_and_what_is_missing_stops_before_the_vehicle_goes_up()
    {
        Placed();
        void Stopped(string says)
        {
            var refused = _shop.Refused(_shop.Begin("it is wanted"));
            Assert.Equal((RefusalKind.BadValue, "plan"), (refused.Kind, refused.Field));
            Assert.Equal(says, refused.Message);
            Assert.Equal(says, Next());
        }
        Stopped(
            "Alder kit: count what is in the box. 2 strut plate, 2 block, 8 flange nut are not counted."
        );
        _shop.Do(
            Count(
                new KitPieceInput("strut plate", 2),
                new KitPieceInput("block", 1),
                new KitPieceInput("flange nut", null)
            )
        );
        Stopped("Alder kit: count what is in the box. 8 flange nut is not counted.");
        _shop.Do(Count(new KitPieceInput("flange nut", 6)));
        Assert.Equal(KitPieceEnd.Missing, Kit.Pieces.Single(p => p.Name == "block").End);
        Stopped(
            "Alder kit: 1 of 2 block, 2 of 8 flange nut are missing. Get what is missing before it goes up, or leave it out and say why."
        );
        _shop.Do(Count(new KitPieceInput("block", 2)));
        Stopped(
            "Alder kit: 2 of 8 flange nut are missing. Get what is missing before it goes up, or leave it out and say why."
        );
        // More than there must be is no less.
        _shop.Do(Count(new KitPieceInput("flange nut", 9)));
        Assert.Equal(NeedKind.BeginFitting.ToString(), Next());
        _shop.Do(_shop.Begin());
        Assert.NotNull(_shop.Document.BegunPlan());
    }

    [Theory]
    [InlineData(4, "2 piece 1, 2 piece 2, 2 piece 3, 2 piece 4 are")]
    [InlineData(5, "5 pieces are")]
    public void A_few_uncounted_pieces_are_named_many_are_told(int pieces, string says)
    {
        _shop.ReadBefore();
        _shop.Do(Empty());
        _shop.Do(
            Place(
                Box(
                    1,
                    "Alder kit",
                    [
                        .. Enumerable
                            .Range(1, pieces)
                            .Select(n => new BoxedPiece($"piece {n}", 2, [])),
                    ]
                )
            )
        );
        Assert.Equal(
            $"Alder kit: count what is in the box. {says} not counted.",
            Kit.WhyNotBegun(Draft.Stacks)
        );
    }

    [Fact]
    public void What_is_left_out_needs_a_reason_stands_nowhere_and_comes_back()
    {
        Placed();
        Assert.Equal(
            "pieces[0].why",
            _shop.Refused(Count(new KitPieceInput("block", null, LeftOut: true, Why: " "))).Field
        );
        _shop.Do(AllThere());
        _shop.Do(Count(new KitPieceInput("block", 0, LeftOut: true, Why: "owner wants rake")));
        Assert.Equal(["LF strut plate", "RF strut plate"], Stands);
        var block = Kit.Pieces.Single(p => p.Name == "block");
        Assert.Equal((KitPieceEnd.LeftOut, "owner wants rake"), (block.End, block.Why));
        Assert.Equal(NeedKind.BeginFitting.ToString(), Next());
        // Why is kept of what is left out alone.
        _shop.Do(Count(new KitPieceInput("block", 2, Why: "owner wants rake")));
        Assert.Equal(
            ["LF strut plate", "LR block", "RF strut plate", "RR block"],
            Stands.Order(StringComparer.Ordinal)
        );
        Assert.Null(Kit.Pieces.Single(p => p.Name == "block").Why);
        // Counted twice, it stands there once.
        _shop.Do(Count(new KitPieceInput("block", 2)));
        Assert.Equal(4, Stands.Count());
    }

    [Fact]
    public void A_piece_that_was_dragged_out_of_the_stack_is_asked_about()
    {
        Placed();
        _shop.Do(AllThere());
        var left = Draft.Stacks.Where(s => s.Corner != Corner.RR);
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                Draft.Id,
                0,
                Draft.FromStageId,
                "Plan A",
                [
                    .. left.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [.. s.Parts.Select(p => new PlacingInput(p.Id, null))]
                    )),
                ]
            )
        );
        const string Says =
            "Alder kit: block stands nowhere in the plan, or not all of it. Place it, or leave it out and say why.";
        Assert.Equal(Says, _shop.Refused(_shop.Begin()).Message);
        _shop.Do(AllThere());
        Assert.Equal(4, Stands.Count());
        Assert.IsType<Decision.Made>(_shop.Try(_shop.Begin()));
    }

    [Fact]
    public void One_box_leaves_the_shelf_and_what_stands_in_the_stack_is_used()
    {
        var box = Placed(count: 2);
        _shop.Do(AllThere());
        _shop.Do(_shop.Begin());
        Assert.Equal(1, _shop.Shelf[box.Id].Count);
        Assert.Equal(
            [KitPieceEnd.Used, KitPieceEnd.Used, KitPieceEnd.Open],
            Kit.Pieces.Select(p => p.End)
        );
        // Small things are ticked off, or they are lines that hold the hand-over.
        Assert.Contains(
            "Alder kit: 8 flange nut, neither used nor left out",
            Progress.OpenLinesOf(_shop.Document)
        );
        Assert.Equal(
            "pieces[0].leftOut",
            _shop
                .Refused(
                    Count(new KitPieceInput("block", 2, LeftOut: true, Why: "changed my mind"))
                )
                .Field
        );
        _shop.Do(AllThere(used: true));
        Assert.Equal(KitPieceEnd.Used, Kit.Pieces[^1].End);
        Assert.DoesNotContain(
            Progress.OpenLinesOf(_shop.Document),
            l => l.Contains("Alder kit", StringComparison.Ordinal)
        );
        _shop.Do(
            Count(new KitPieceInput("flange nut", 8, LeftOut: true, Why: "old ones went back"))
        );
        Assert.Equal(KitPieceEnd.LeftOut, Kit.Pieces[^1].End);
        // Its stacks are the vehicle's now.
        Assert.Equal(4, _shop.Document.CurrentStage()!.Stacks.Sum(s => s.Parts.Count));
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(1000)]
    public void A_count_is_none_below_zero(int found)
    {
        Placed();
        Assert.Equal(
            "pieces[0].found",
            _shop.Refused(Count(new KitPieceInput("block", found))).Field
        );
    }

    [Fact]
    public void A_count_alone_leaves_the_plan_to_whoever_works_on_it()
    {
        Placed();
        Assert.DoesNotContain(_shop.Do(AllThere()).Changes, c => c.Row is Plan);
        var out_ = _shop.Do(
            Count(new KitPieceInput("block", 2, LeftOut: true, Why: "owner wants rake"))
        );
        Assert.Contains(out_.Changes, c => c.Row is Plan);
    }

    [Fact]
    public void Somebody_elses_count_is_not_overwritten()
    {
        Placed();
        _shop.Versions[Kit.Id] = 7;
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(AllThere()).Kind);
        _shop.Do(AllThere() with { Version = 7 });
    }
}
