using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Suspension;
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
        IReadOnlyList<SuspensionSize> Sizes
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
                SuspensionSizes.Of(k)
            )),
    ];
}

/// <summary>What is known of an axle's linkage.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Said">Its kind as said in a bay.</param>
/// <param name="Grade">On what the ratio rests.</param>
/// <param name="MotionRatio">Spring travel per wheel travel at ride height.</param>
/// <param name="LiftRatio">Rise of the body per length of the spring, at ride height.</param>
/// <param name="LiftRatioSd">Its standard deviation.</param>
internal sealed record AxleView(
    Axle Axle,
    string Said,
    RatioGrade Grade,
    double MotionRatio,
    double LiftRatio,
    double LiftRatioSd
)
{
    public static IReadOnlyList<AxleView> Of(Vehicle vehicle) =>
        [
            .. new[] { Axle.Front, Axle.Rear }.Select(axle =>
            {
                var suspension = vehicle.SuspensionOf(axle);
                var corner = CornerLinkage.Of(suspension);
                return new AxleView(
                    axle,
                    suspension.Kind.Said(),
                    corner.Grade,
                    1 / corner.Ratio.Mean,
                    corner.Ratio.Mean,
                    corner.Ratio.Sd
                );
            }),
        ];
}
