using Nokko.Core.Jobs;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What a box claims, beside what came.</summary>
public class KitClaimTests
{
    private static readonly double[] Before = [520, 1040, 570, 570, 1040, 520];

    private static Kit Kit(Guid plan, params KitPiece[] pieces) =>
        new()
        {
            Id = Sample.Id(900),
            PlanId = plan,
            Name = "Alder kit",
            FrontClaim = Sample.Mm(50),
            RearClaim = Sample.Mm(20),
            Claim = Sample.Mm(35),
            Pieces = pieces,
        };

    /// <summary>Front lips came up by so much; what stands there comes out of the kit.</summary>
    private static IReadOnlyList<KitClaim>? Of(
        double front,
        Func<PlacedPart, Corner, PlacedPart>? piece = null,
        params KitPiece[] pieces
    )
    {
        var job = Sample.Job(Before, [520 + front, 1040, 570, 570, 1040, 520 + front]);
        var plan = job.Plans[0];
        piece ??= (p, _) => p with { KitId = Sample.Id(900) };
        return JobEvaluator
            .Evaluate(
                job with
                {
                    Plans =
                    [
                        plan with
                        {
                            Stacks =
                            [
                                .. plan.Stacks.Select(s =>
                                    s with
                                    {
                                        Parts = [.. s.Parts.Select(p => piece(p, s.Corner))],
                                    }
                                ),
                            ],
                        },
                    ],
                    Kits = [Kit(plan.Id, pieces)],
                }
            )
            .Proofs[0]
            .Kits;
    }

    [Fact]
    public void Each_axle_and_the_whole_stand_beside_what_came()
    {
        var claims = Of(48)!;
        Assert.Equal(
            [(Axle.Front, 50d, 48d), (Axle.Rear, 20d, 0d), ((Axle?)null, 35d, 24d)],
            claims.Select(c => (c.Axle, c.ClaimMm, Math.Round(c.Came.Value!.Value, 6)))
        );
        Assert.All(claims, c => Assert.Equal(("Alder kit", 0), (c.Kit, c.But.Count)));
        // A claim is kept within 2 u, and more than claimed is no less.
        Assert.Equal([true, false, false], claims.Select(c => c.Kept));
        var u = claims[0].Came.U!.Value;
        Assert.True(Of(50 - (1.99 * u))![0].Kept);
        Assert.False(Of(50 - (2.01 * u))![0].Kept);
        Assert.True(Of(80)![0].Kept);
    }

    [Fact]
    public void What_the_four_lips_have_in_common_stays_common()
    {
        var comparison = JobEvaluator.Evaluate(Sample.Job(Before, Before)).Proofs[0].Comparison!;
        var shared = comparison with
        {
            Rises = [.. comparison.Rises.Select(r => r with { SharedU = 0.5 })],
        };
        // Four readings that err each for itself, and 0.5 mm that all of them share.
        var own = comparison
            .Rises.Where(r => r.Station is "LF" or "RF" or "LR" or "RR")
            .Sum(r => (Math.Pow(r.Rise.U!.Value, 2) - 0.25) / 16);
        Assert.Equal(Math.Sqrt(own + 0.25), shared.MeanRise().U!.Value, 9);
        Assert.NotNull(
            (comparison with { Rises = [.. comparison.Rises.Where(r => r.Station != "RR")] })
                .MeanRise()
                .Cannot
        );
    }

    [Fact]
    public void What_makes_it_another_comparison_is_named()
    {
        var claims = Of(
            48,
            (p, corner) => corner == Corner.RF ? p with { KitId = Sample.Id(900) } : p,
            new KitPiece
            {
                Name = "block",
                Count = 2,
                End = KitPieceEnd.LeftOut,
                Why = "owner wants rake",
                Stacks = [new CornerStack { Corner = Corner.LR, Parts = [Sample.Plate(77, 30)] }],
            }
        )!;
        var name = Sample.Job(Before, Before).Plans[0].Stacks[0].Parts[0].Name;
        Assert.Equal([$"with {name} beside it"], claims[0].But);
        Assert.Equal(["without block"], claims[1].But);
        Assert.Equal(["without block", $"with {name} beside it"], claims[2].But);
    }

    [Fact]
    public void A_job_without_a_kit_has_no_claims_of_one() =>
        Assert.Null(JobEvaluator.Evaluate(Sample.Job(Before, Before)).Proofs[0].Kits);
}
