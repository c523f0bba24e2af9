using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
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
}
