using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Geometry;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;

namespace Nokko.Server.Jobs;

/// <summary>The kinds of suspension that there are to choose from.</summary>
internal static class Suspensions
{
    /// <summary>A kind with what is taped of it and what it looks like.</summary>
    internal sealed record KindView(
        SuspensionKind Kind,
        string Said,
        bool LiveAxle,
        Archetype? Archetype,
        IReadOnlyList<SuspensionSize> Sizes,
        IReadOnlyList<SpacePointName> SpacePoints
    );

    public static void Map(RouteGroupBuilder api) =>
        api.MapGet("/suspensions", () => TypedResults.Ok(Catalogue));

    private static readonly KindView[] Catalogue =
    [
        .. Enum.GetValues<SuspensionKind>()
            .Select(k => new KindView(
                k,
                k.Said(),
                k.IsLiveAxle(),
                Archetype.Of(k),
                SuspensionSizes.Of(k),
                SpaceArms.Has(k) ? SpaceArms.Names : []
            )),
    ];
}

/// <summary>What is known of an axle's linkage.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Said">The kind as said in a bay.</param>
/// <param name="Grade">On what the ratio rests.</param>
/// <param name="MotionRatio">Spring travel per wheel travel at ride height.</param>
/// <param name="LiftRatio">Rise of the body per length of the spring, at ride height.</param>
/// <param name="LiftRatioSd">Its standard deviation.</param>
/// <param name="Turn">What a turn of its torsion bars' adjusters lifts, mm; null where it has none or nobody knows.</param>
/// <param name="TurnWasRead">Whether that was read by turning them.</param>
/// <param name="HeightControl">What holds its height; null where only its springs do.</param>
internal sealed record AxleView(
    Axle Axle,
    SuspensionKind Kind,
    string Said,
    RatioGrade Grade,
    double MotionRatio,
    double LiftRatio,
    double LiftRatioSd,
    Estimate? Turn,
    bool TurnWasRead,
    HeightControl? HeightControl
)
{
    public static IReadOnlyList<AxleView> Of(Vehicle vehicle) =>
        [
            .. new[] { Axle.Front, Axle.Rear }.Select(axle =>
            {
                var suspension = vehicle.SuspensionOf(axle);
                var corner = CornerLinkage.Of(suspension);
                var torsion = AxleState.Of(vehicle, axle).Torsion;
                return new AxleView(
                    axle,
                    suspension.Kind,
                    suspension.Kind.Said(),
                    corner.Grade,
                    1 / corner.Ratio.Mean,
                    corner.Ratio.Mean,
                    corner.Ratio.Sd,
                    torsion is { Tells: true } && torsion.LiftMm(1) is { } turn
                        ? new Estimate(turn, torsion.Share * Math.Abs(turn))
                        : null,
                    torsion?.PerTurnMm is not null,
                    suspension.HeightControl
                );
            }),
        ];
}
