using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>What goes with a vehicle to the next shop, and what comes back.</summary>
public class AlignmentPaperTests
{
    private static readonly PaperReader Reader = PaperReader.In(LengthStyle.Inches, null);

    private readonly Workshop _shop = new();

    private Paper? Alignment() =>
        AlignmentPaper.Of(
            _shop.Document,
            JobEvaluator.Evaluate(_shop.Document),
            Reader,
            Shown.OwnPaper
        );

    [Fact]
    public void No_alignment_is_asked_for_before_anything_was_fitted() => Assert.Null(Alignment());

    [Fact]
    public void Expected_is_what_was_read_with_what_the_work_was_foretold_to_do()
    {
        _shop.ReadBefore();
        _shop.Measure(Measures.CamberAngle, "LF", "-0.5");
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin());
        var frozen = _shop.Document.FrozenPredictions.Single();
        // By hand: −0.5° with a rack's ± 0.15 and +1.2° ± 0.2.
        _shop.Document = _shop.Document with
        {
            FrozenPredictions =
            [
                frozen with
                {
                    Prediction = frozen.Prediction with
                    {
                        Moves =
                        [
                            new(
                                Core.Geometry.MechanismKind.Arms,
                                "front",
                                Result.Of(1.2, Unit.Degree, 0.2, [])
                            ),
                        ],
                    },
                },
            ],
        };
        var was = JobEvaluator
            .Evaluate(_shop.Document)
            .WalkRounds[0]
            .Measures.Single(m => m.Measure == Measures.CamberAngle)
            .Value.U!.Value;
        var row = Alignment()!.Part("Front axle").Row("Camber, left front");
        Assert.StartsWith("−0.5 ±", row[1], StringComparison.Ordinal);
        var u = Math.Ceiling(20 * Math.Sqrt((was * was) + 0.04)) / 10;
        Assert.Equal(FormattableString.Invariant($"0.7 ± {u:0.0}°"), row[2]);
        Assert.Equal(
            "+1.2 ± 0.4° from before",
            Alignment()!.Part("Front axle").Row("Camber, right front")[2]
        );
        Assert.Equal("moved; read it", Alignment()!.Part("Front axle").Row("Toe, left front")[2]);
        // A live axle behind has nothing to set.
        Assert.DoesNotContain(Alignment()!.Sections, s => s.Title == "Rear axle");
    }

    [Fact]
    public void A_printout_comes_back_into_its_two_columns_and_what_was_set_proves_no_forecast_wrong()
    {
        _shop.ReadBefore();
        _shop.Measure(Measures.CamberAngle, "LF", "-0.5");
        _shop.Measure(Measures.CamberAngle, "RF", "-0.5");
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin());
        _shop.ReadAll(("LF", "22 1/2"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
        _shop.Measure(Measures.CamberAngle, "LF", "0.5");
        _shop.Measure(Measures.CamberAngle, "RF", "0.5");
        PaperTable Table() => Alignment()!.Part("Front axle").Table!;
        var moved = JobEvaluator.Evaluate(_shop.Document).Proofs.Single().Moved;
        Assert.Equal("", Table().Rows.Single(r => r[0] == "Camber, left front")[5]);
        _shop.Measure(Measures.CamberSet, "LF", "-0.4");
        _shop.Measure(Measures.CamberSet, "RF", "-0.4");
        var row = Table().Rows.Single(r => r[0] == "Camber, left front");
        Assert.StartsWith("0.5 ±", row[4], StringComparison.Ordinal);
        Assert.StartsWith("−0.4 ±", row[5], StringComparison.Ordinal);
        Assert.Equal(
            moved.Select(m => m.Measured.Value),
            JobEvaluator
                .Evaluate(_shop.Document)
                .Proofs.Single()
                .Moved.Select(m => m.Measured.Value)
        );
    }

    private void Fitted()
    {
        _shop.Begun();
        _shop.ReadAll(("LF", "22 5/8"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
    }

    [Fact]
    public void It_says_at_which_heights_it_is_set_what_was_marked_and_in_which_order()
    {
        Fitted();
        var sheet = Alignment()!;
        var heights = sheet.Part("It stands so");
        Assert.Equal(["Fender lip", "Above hub"], heights.Table!.Columns);
        Assert.Equal(
            ["Left front", "Right front", "Left rear", "Right rear"],
            heights.Table.Rows.Select(r => r[0]).OrderBy(CornerOrder)
        );
        Assert.StartsWith("22 5/8 in", heights.Row("Left front")[1], StringComparison.Ordinal);
        Assert.Equal(4, sheet.Part("Before it is set").Lines.Count);
        Assert.DoesNotContain(
            sheet.Sections,
            s => s.Title.StartsWith("Marks", StringComparison.Ordinal)
        );
        Assert.Equal("Alignment sheet", sheet.Title);
        Assert.Contains("k = 2", sheet.Foot!, StringComparison.Ordinal);

        // Not read since the work began: the heights are those of the wish, and none is made up.
        var d = _shop.Document;
        _shop.Document = d with
        {
            WalkRounds = [.. d.WalkRounds.Where(w => w.StageId == d.FirstStage()!.Id)],
            Job = d.Job with { Target = d.Job.Target with { Datum = Datum.Floor } },
            Marks =
            [
                new()
                {
                    Id = Sample.Id(8004),
                    Where = "Left upper arm",
                    What = "cam at 3 o’clock",
                    PersonId = Sample.Id(5),
                    At = Sample.At(20),
                },
            ],
        };
        heights = Alignment()!.Part("It stands so");
        Assert.Equal("Above floor", heights.Table!.Columns[1]);
        Assert.All(heights.Table.Rows, r => Assert.Equal("not read", r[1]));
        Assert.Equal(
            ["Left upper arm: cam at 3 o’clock"],
            Alignment()!.Part("Marks made before undoing").Lines
        );

        static int CornerOrder(string said) =>
            Array.IndexOf(["Left front", "Right front", "Left rear", "Right rear"], said);
    }

    [Fact]
    public void The_odometer_is_the_one_with_which_it_leaves()
    {
        Fitted();
        string Fact(double? into, double? outOf)
        {
            _shop.Document = _shop.Document with
            {
                Job = _shop.Document.Job with
                {
                    OdometerIn = into is { } i ? Sample.Of(i, Unit.Km) : null,
                    OdometerOut = outOf is { } o ? Sample.Of(o, Unit.Km) : null,
                },
            };
            return Alignment()!.Facts[0];
        }
        Assert.EndsWith(" · 81,020 km", Fact(81_000, 81_020), StringComparison.Ordinal);
        Assert.EndsWith(" · 81,000 km", Fact(81_000, null), StringComparison.Ordinal);
        Assert.DoesNotContain("km", Fact(null, null), StringComparison.Ordinal);
    }

    [Fact]
    public void An_axle_that_came_is_named_with_its_sheet()
    {
        Fitted();
        string[] Moved(string? sheet)
        {
            _shop.Document = _shop.Document with
            {
                Plans =
                [
                    .. _shop.Document.Plans.Select(p =>
                        p with
                        {
                            Conversions =
                            [
                                new()
                                {
                                    Axle = Axle.Front,
                                    To = new()
                                    {
                                        Kind = SuspensionKind.CoilFourLink,
                                        Sheet = sheet,
                                    },
                                },
                            ],
                        }
                    ),
                ],
            };
            return [.. Alignment()!.Part("What was moved").Lines];
        }
        var kind = SuspensionKind.CoilFourLink.Said();
        Assert.Equal([$"Front: {kind} came, by sheet 7.", "Front: plate."], Moved("sheet 7"));
        Assert.Equal($"Front: {kind} came.", Moved(null)[0]);
    }
}
