using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What would make a prediction better, and by how much.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="What">What to tape or find out, in a few words.</param>
/// <param name="Of">Of what the uncertainty is: the plan's rake, or the rise that an inch of plate gives there.</param>
/// <param name="NowMm">Standard uncertainty now, mm.</param>
/// <param name="ThenMm">Standard uncertainty once it is known, mm.</param>
public sealed record Sharpening(Axle Axle, string What, string Of, double NowMm, double ThenMm);

/// <summary>Asks of every thing that could be taped how much it would take off the ±.</summary>
/// <remarks>A tool asks only for what changes an answer, and shows by how much. Computed by predicting again with that one thing known.</remarks>
public static class Sharper
{
    private const string Points = "All suspension points";
    private const double OneInch = 25.4;

    /// <summary>The sharpenings of a plan, or of an inch of plate on each axle when nothing is planned; the greatest first, none that gives nothing.</summary>
    /// <param name="plan">The plan; null when there is none.</param>
    /// <param name="situation">The vehicle as it stands.</param>
    public static IReadOnlyList<Sharpening> Of(Plan? plan, Situation situation)
    {
        situation = plan is null ? situation : situation.Converted(plan);
        var (from, vehicle, baseline) = situation;
        if (baseline is null)
        {
            return [];
        }
        // The chance of landing is not asked here.
        situation = situation with
        {
            Target = null,
        };
        var found = new List<Sharpening>();
        foreach (var axle in Corners.Axles)
        {
            var tried = plan ?? Inch(axle, from, vehicle);
            PlacedPart[] parts =
            [
                .. tried
                    .Stacks.Where(s => Corners.AxleOf(s.Corner) == axle)
                    .SelectMany(s => s.Parts),
            ];
            if (parts.Length == 0)
            {
                continue;
            }
            foreach (
                var (what, known, state) in Ways(axle, tried, parts, vehicle, situation.Standard)
            )
            {
                var now = U(tried, null);
                var then = U(known, state);
                if (now is { } a && then is { } b && a - b > 0.1)
                {
                    found.Add(new Sharpening(axle, what, plan is null ? "inch" : "rake", a, b));
                }
            }

            double? U(Plan p, Func<AxleState, AxleState>? state)
            {
                var prediction = Predictor.Predict(p, situation, state);
                return plan is not null ? prediction.Rake.U
                    : axle == Axle.Front ? prediction.FrontRise.U
                    : prediction.RearRise.U;
            }
        }
        return [.. found.OrderByDescending(s => s.NowMm - s.ThenMm)];
    }

    private static IEnumerable<(string What, Plan Plan, Func<AxleState, AxleState>? State)> Ways(
        Axle axle,
        Plan plan,
        PlacedPart[] parts,
        Vehicle vehicle,
        WalkRoundStance? standard
    )
    {
        var suspension = vehicle.SuspensionOf(axle);
        var corner = CornerLinkage.Of(suspension);
        var state = AxleState.Of(vehicle, axle);
        if (
            parts.Any(p => PartRule.Of(p.Kind).Family == LiftFamily.Spring)
            && corner.Grade != RatioGrade.Taped
            && Archetype.Of(suspension.Kind) is not null
        )
        {
            var sharp = corner with
            {
                Grade = RatioGrade.Taped,
                Ratio = new Estimate(
                    corner.Ratio.Mean,
                    CornerLinkage.TapedShare * corner.Ratio.Mean
                ),
            };
            yield return (Points, plan, a => a.Axle == axle ? a with { Corner = sharp } : a);
        }
        if (parts.Any(p => p.Thickness is { Known: not Known.Measured }))
        {
            yield return ("Thickness of the parts, taped", Changed(Taped), null);
        }
        if (
            parts.Any(p => p.Kind == PartKind.TorsionAdjuster)
            && state.Torsion is { Tells: true, PerTurnMm: null } figures
            && figures.LiftMm(1) is { } turn
        )
        {
            yield return (
                "Rise for each turn of the adjusters, read by turning them",
                plan,
                a =>
                    a.Axle == axle
                        ? a with
                        {
                            Torsion = figures with { PerTurnMm = new Estimate(turn, 0) },
                        }
                        : a
            );
        }
        if (parts.Any(p => p.Kind == PartKind.Shackle) && state.Leaf is null)
        {
            yield return (
                "Leaf's chord, shackle and its angle",
                plan,
                a =>
                    a.Axle == axle
                        ? a with
                        {
                            Leaf = new LeafGeometry(
                                1200,
                                60,
                                100,
                                0,
                                0.5,
                                suspension.ShacklePivot == ShacklePivot.BelowEye
                            ),
                        }
                        : a
            );
        }
        if (
            parts.Any(p => StackAmounts.GivesSagBack(p, state))
            && standard is null
            && state.Sag is null
        )
        {
            yield return (
                "Standard height",
                plan,
                a => a.Axle == axle ? a with { Sag = new Estimate(0, 1.5) } : a
            );
        }

        if (parts.Any(p => StackAmounts.OtherVehicleUMm(p, state) > 0))
        {
            yield return (
                "For which engine, load and trim the spring is made",
                Changed(p => p with { MadeFor = p.MadeFor ?? "this one" }),
                null
            );
        }

        Plan Changed(Func<PlacedPart, PlacedPart> how) =>
            plan with
            {
                Stacks =
                [
                    .. plan.Stacks.Select(s =>
                        Corners.AxleOf(s.Corner) == axle
                            ? s with
                            {
                                Parts = [.. s.Parts.Select(how)],
                            }
                            : s
                    ),
                ],
            };

        static PlacedPart Taped(PlacedPart part) =>
            part.Thickness is { } t
                ? part with
                {
                    Thickness = t with { Known = Known.Measured, U = null },
                }
                : part;
    }

    /// <summary>An inch of the plate that goes on this axle.</summary>
    private static Plan Inch(Axle axle, Stage from, Vehicle vehicle)
    {
        var kind = vehicle.SuspensionOf(axle).Kind;
        var part =
            kind.HasCoilOver() ? PartKind.StrutTopSpacer
            : kind.IsLeaf() ? PartKind.Shackle
            : PartKind.CoilSpacer;
        return new Plan
        {
            Id = Guid.Empty,
            Name = "an inch",
            FromStageId = from.Id,
            Stacks =
            [
                .. Corners
                    .Of(axle)
                    .Select(c => new CornerStack
                    {
                        Corner = c,
                        Parts =
                        [
                            .. from.Stacks.Where(s => s.Corner == c).SelectMany(s => s.Parts),
                            new PlacedPart
                            {
                                Id = Guid.AllBitsSet,
                                Name = "an inch",
                                Kind = part,
                                Thickness = Quantity.Mm(OneInch, Known.Measured),
                            },
                        ],
                    }),
            ],
        };
    }
}
