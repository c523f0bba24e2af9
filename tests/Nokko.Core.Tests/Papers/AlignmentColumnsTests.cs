using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>The columns of an alignment sheet: which axles and angles stand on it, and where each value comes from.</summary>
public class AlignmentColumnsTests
{
    private static readonly PaperReader Reader = PaperReader.In(LengthStyle.Inches, null);

    private readonly Workshop _shop = new();

    /// <summary>Suspensions of every stage, measures of the rounds before and after; what they are is given, not computed.</summary>
    private Paper Sheet(
        MeasureValue[]? before = null,
        MeasureValue[]? after = null,
        SuspensionKind front = SuspensionKind.CoilOverArm,
        SuspensionKind rear = SuspensionKind.LeafOverslung
    )
    {
        if (_shop.Document.BegunPlan() is null)
        {
            _shop.Begun();
            _shop.ReadAll(("LF", "22 5/8"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
        }
        var results = JobEvaluator.Evaluate(_shop.Document);
        var d = _shop.Document with
        {
            Stages =
            [
                .. _shop.Document.Stages.Select(s =>
                    s with
                    {
                        Front = s.Front with { Kind = front },
                        Rear = s.Rear with { Kind = rear },
                    }
                ),
            ],
        };
        var first = d.FirstStage()!.Id;
        return AlignmentPaper.Of(
            d,
            results with
            {
                WalkRounds =
                [
                    .. results.WalkRounds.Select(w =>
                        w with
                        {
                            Measures = (w.StageId == first ? before : after) ?? [],
                        }
                    ),
                ],
            },
            Reader,
            Shown.OwnPaper
        )!;
    }

    private void Foretold(params ForetoldMove[] moves) =>
        _shop.Document = _shop.Document with
        {
            FrozenPredictions =
            [
                .. _shop.Document.FrozenPredictions.Select(f =>
                    f with
                    {
                        Prediction = f.Prediction with { Moves = moves },
                    }
                ),
            ],
        };

    private static MeasureValue Read(string measure, string place, double degrees) =>
        new(measure, place, Result.Of(degrees, Unit.Degree, 0.05, []), 1);

    private static IEnumerable<string> Heads(Paper sheet, string axle) =>
        sheet.Part(axle).Table!.Rows.Select(r => r[0]);

    [Fact]
    public void A_steered_live_axle_has_its_angles_and_camber_stays_as_it_was()
    {
        var sheet = Sheet(
            [Read(Measures.CamberAngle, "LF", -0.2)],
            front: SuspensionKind.CoilFourLink
        );
        Assert.Equal(
            [
                "Caster, left front",
                "Caster, right front",
                "Camber, left front",
                "Camber, right front",
                "Toe, left front",
                "Toe, right front",
            ],
            Heads(sheet, "Front axle")
        );
        Assert.Equal(
            $"as before, {sheet.Part("Front axle").Row("Camber, left front")[1]}",
            sheet.Part("Front axle").Row("Camber, left front")[2]
        );
        Assert.Equal("as before", sheet.Part("Front axle").Row("Camber, right front")[2]);
        // Where nothing was foretold of its caster it is read.
        Assert.Equal("read it", sheet.Part("Front axle").Row("Caster, left front")[2]);
    }

    [Fact]
    public void An_independent_axle_behind_has_camber_and_toe_and_no_caster()
    {
        var sheet = Sheet(rear: SuspensionKind.MultiLink);
        Assert.Equal(
            ["Camber, left rear", "Camber, right rear", "Toe, left rear", "Toe, right rear"],
            Heads(sheet, "Rear axle")
        );
        Assert.All(sheet.Part("Rear axle").Table!.Rows, r => Assert.Equal("not read", r[1]));
        Assert.All(sheet.Part("Rear axle").Table!.Rows, r => Assert.Equal("by its maker", r[3]));
        Assert.All(sheet.Part("Rear axle").Table!.Rows, r => Assert.Equal(["", ""], r.Skip(4)));
    }

    [Fact]
    public void What_square_and_tape_tell_stands_where_no_gauge_read_and_in_the_row_of_its_own_angle_alone()
    {
        var sheet = Sheet(
            [
                Read(MeasureValues.CamberBySquare, "LF", -0.3),
                Read(MeasureValues.ToeByTape, "front", 0.1),
                Read(MeasureValues.ToeByTape, "rear", 0.4),
            ],
            [Read(Measures.Caster, "RF", 3.5), Read(Measures.CamberAngle, "RR", 0.9)]
        );
        string Was(string head) => sheet.Part("Front axle").Row(head)[1];
        string Came(string head) => sheet.Part("Front axle").Row(head)[4];
        Assert.StartsWith("−0.3 ", Was("Camber, left front"), StringComparison.Ordinal);
        Assert.Equal("not read", Was("Camber, right front"));
        Assert.Equal("not read", Was("Caster, left front"));
        // Toe by tape is of an axle: of each of its wheels.
        Assert.StartsWith("0.1 ", Was("Toe, left front"), StringComparison.Ordinal);
        Assert.Equal(Was("Toe, left front"), Was("Toe, right front"));
        Assert.StartsWith("3.5 ", Came("Caster, right front"), StringComparison.Ordinal);
        Assert.Equal(5, sheet.Part("Front axle").Table!.Rows.Count(r => r[4].Length == 0));
    }

    [Fact]
    public void A_value_that_is_not_known_is_no_reading()
    {
        var sheet = Sheet([
            new(Measures.Caster, "LF", Result.No(Unit.Degree, "Swing both ways."), 1),
        ]);
        Assert.Equal("not read", sheet.Part("Front axle").Row("Caster, left front")[1]);
    }

    [Fact]
    public void What_an_alignment_set_counts_before_what_it_found()
    {
        var sheet = Sheet([
            Read(Measures.Caster, "LF", 2),
            Read(Measures.CasterSet, "LF", 3),
            Read(Measures.Caster, "RF", 2.5),
        ]);
        Assert.StartsWith(
            "3.0 ",
            sheet.Part("Front axle").Row("Caster, left front")[1],
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "2.5 ",
            sheet.Part("Front axle").Row("Caster, right front")[1],
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Caster_is_expected_by_its_own_mechanism_on_its_own_axle()
    {
        Sheet();
        Foretold(
            new(MechanismKind.Arms, "front", Result.Of(5, Unit.Degree, 0.1, [])),
            new(MechanismKind.Caster, "rear", Result.Of(7, Unit.Degree, 0.1, [])),
            new(MechanismKind.Caster, "front", Result.Of(-1, Unit.Degree, 0.12, []))
        );
        // By hand: 3.0 − 1.0, and √(0.05² + 0.12²) = 0.13, twice that.
        Assert.Equal(
            "2.0 ± 0.3°",
            Sheet([Read(Measures.Caster, "LF", 3)]).Part("Front axle").Row("Caster, left front")[2]
        );
        Foretold(
            new ForetoldMove(
                MechanismKind.Caster,
                "front",
                Result.No(Unit.Degree, "Tape its points.")
            )
        );
        Assert.Equal(
            "read it",
            Sheet([Read(Measures.Caster, "LF", 3)]).Part("Front axle").Row("Caster, left front")[2]
        );
    }

    [Fact]
    public void What_two_passes_do_adds_up_with_all_of_their_uncertainty()
    {
        Sheet();
        Foretold(
            new ForetoldMove(MechanismKind.Caster, "front", Result.Of(-1, Unit.Degree, 0.1, []))
        );
        var d = _shop.Document;
        var (plan, frozen) = (d.BegunPlan()!, d.FrozenPredictions.Single());
        var second = d.CurrentStage()! with
        {
            Id = Sample.Id(8001),
            Ordinal = d.CurrentStage()!.Ordinal + 1,
            Name = "after stack 2",
        };
        var next = plan with
        {
            Id = Sample.Id(8002),
            FromStageId = plan.ToStageId!.Value,
            ToStageId = second.Id,
            BegunAt = plan.BegunAt!.Value.AddHours(3),
        };
        _shop.Document = d with
        {
            Stages = [.. d.Stages, second],
            Plans = [.. d.Plans, next],
            FrozenPredictions = [frozen, frozen with { PlanId = next.Id }],
        };
        // By hand: 4 − 1 − 1; both passes rest on the same sizes: 0.1 + 0.1, with the gauge's 0.05 0.206, twice that.
        Assert.Equal(
            "2.0 ± 0.5°",
            Sheet([Read(Measures.Caster, "LF", 4)]).Part("Front axle").Row("Caster, left front")[2]
        );
        // Read between them, only the second counts: 0.1 with 0.05 is 0.112.
        Assert.Equal(
            "2.0 ± 0.3°",
            Sheet([Read(Measures.Caster, "LF", 4)], [Read(Measures.Caster, "LF", 3)])
                .Part("Front axle")
                .Row("Caster, left front")[2]
        );
        // One pass of which nobody knows leaves nothing to expect.
        _shop.Document = _shop.Document with
        {
            FrozenPredictions = [frozen],
        };
        Assert.Equal(
            "read it",
            Sheet([Read(Measures.Caster, "LF", 4)]).Part("Front axle").Row("Caster, left front")[2]
        );
    }

    [Fact]
    public void The_vehicle_as_it_left_the_works_is_not_before_the_work()
    {
        Sheet();
        var works = _shop.Document.Stages[0] with
        {
            Id = Sample.Id(8003),
            Ordinal = -1,
            Name = "standard",
        };
        _shop.Document = _shop.Document with { Stages = [works, .. _shop.Document.Stages] };
        var results = JobEvaluator.Evaluate(_shop.Document);
        var sheet = AlignmentPaper.Of(
            _shop.Document,
            results with
            {
                WalkRounds =
                [
                    .. results.WalkRounds,
                    results.WalkRounds[0] with
                    {
                        StageId = works.Id,
                        Measures = [Read(Measures.Caster, "LF", 3)],
                    },
                ],
            },
            Reader,
            Shown.OwnPaper
        )!;
        Assert.Equal("not read", sheet.Part("Front axle").Row("Caster, left front")[1]);
    }

    [Fact]
    public void A_range_of_the_maker_stands_where_one_was_entered()
    {
        Sheet();
        _shop.Document = _shop.Document with
        {
            Stages =
            [
                .. _shop.Document.Stages.Select(s =>
                    s with
                    {
                        Front = s.Front with
                        {
                            Dimensions = new Dictionary<string, Quantity>
                            {
                                [SuspensionSizes.CamberLeast] = Sample.Of(-1, Unit.Degree),
                                [SuspensionSizes.CamberMost] = Sample.Of(0.5, Unit.Degree),
                            },
                        },
                    }
                ),
            ],
        };
        var front = Sheet().Part("Front axle");
        Assert.Equal("-1.0° to 0.5°", front.Row("Camber, left front")[3]);
        Assert.Equal("by its maker", front.Row("Caster, left front")[3]);
    }
}
