using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>Where an axle comes to rest on another suspension.</summary>
/// <remarks>Source: docs/computation/conversions.md#where-it-comes-to-rest. The sizes of what comes hold at one height of the lips; from there its springs settle to the length at which they carry the load.</remarks>
/// <param name="Axle">The axle.</param>
/// <param name="SettlesMm">From the height at which the sizes hold to rest, with nothing added, mm.</param>
/// <param name="RatioU">What of its uncertainty comes by the lift ratio, mm.</param>
/// <param name="OtherU">What comes by anything else that both sides share, mm.</param>
/// <param name="OverTodayMm">From today's lips to the height at which the sizes hold, left and right, mm.</param>
/// <param name="ReadU">Standard uncertainty of the readings of those lips, mm: after the work they count no more.</param>
internal sealed record NewHeights(
    Axle Axle,
    double SettlesMm,
    double RatioU,
    double OtherU,
    IReadOnlyList<double> OverTodayMm,
    IReadOnlyList<double> ReadU
)
{
    /// <summary>Against the height at which the sizes hold, instead of against today.</summary>
    public NewHeights OverSetUp() => this with { OverTodayMm = [0, 0], ReadU = [0, 0] };

    /// <summary>The heights of a plan's conversions, or the reason why one cannot be told.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="baseline">The stance before; null where nothing was measured yet.</param>
    /// <param name="axles">Both axles as they shall be.</param>
    public static (IReadOnlyList<NewHeights>? Heights, string? Why) Of(
        Plan plan,
        WalkRoundStance? baseline,
        IReadOnlyList<AxleState> axles
    )
    {
        var heights = new List<NewHeights>();
        foreach (var conversion in plan.Conversions ?? [])
        {
            var (settles, why) = Settles(conversion, axles[conversion.Axle == Axle.Front ? 0 : 1]);
            if (settles is null)
            {
                return (null, why);
            }
            if (baseline is null)
            {
                return (null, Predictor.NothingMeasured);
            }
            if (baseline.Datum != conversion.From)
            {
                return (
                    null,
                    $"The new suspension {Said(conversion.Axle)} is set up from the {conversion.From.ToString().ToLowerInvariant()}, the walk-round was read from elsewhere: read the lips from there too."
                );
            }
            var setUp = conversion.SetUpAt!.In(Unit.Mm);
            Estimate?[] read =
            [
                .. Corners.Of(conversion.Axle).Select(c => baseline.At(c.Name())?.Height.Found),
            ];
            if (read.Any(r => r is null))
            {
                return (
                    null,
                    $"Both lips {Said(conversion.Axle)} must be read: the new suspension's height counts from them."
                );
            }
            heights.Add(
                settles with
                {
                    OverTodayMm = [.. read.Select(r => setUp - r!.Value.Mean)],
                    ReadU = [.. read.Select(r => r!.Value.Sd)],
                }
            );
        }
        return (heights, null);
    }

    private static (NewHeights? Heights, string? Why) Settles(
        AxleConversion conversion,
        AxleState axle
    )
    {
        var (to, where) = (conversion.To, Said(conversion.Axle));
        if (to.HeightControl is not null)
        {
            return (
                null,
                $"A controller holds the new suspension {where}: it stands where it is set, and nothing is foretold."
            );
        }
        if (!to.Kind.HasCoil())
        {
            return (
                null,
                $"Where {to.Kind.Said()} comes to rest is seen once the weight is on it: nothing is foretold {where}."
            );
        }
        string?[] missing =
        [
            conversion.SetUpAt is null
                ? "the height of the lips at which its sizes were taken"
                : null,
            to.Get(SuspensionSizes.SpringLength) is null
                ? "its spring's length at that height"
                : null,
            to.Get(SuspensionSizes.SpringFreeLength) is null ? "its spring's free length" : null,
            to.Get(SuspensionSizes.SpringRate) is null ? "its spring's rate" : null,
            axle.SpringLoadN is null ? "the axle's mass" : null,
        ];
        if (missing.OfType<string>().ToArray() is { Length: > 0 } lacks)
        {
            return (
                null,
                $"How high it stands {where} on its new suspension cannot be told. Missing: {string.Join(", ", lacks)}."
            );
        }
        var (coil, load) = (CoilSpring.Of(to)!.Value, axle.SpringLoadN!.Value);
        var length = coil.LengthMm(load);
        if (length <= (to.Get(SuspensionSizes.CoilBind) ?? 0))
        {
            return (
                null,
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"The new spring {where} is pushed shut by its load of {load:0} N: another rate, or another free length."
                )
            );
        }
        var longer = length - to.Get(SuspensionSizes.SpringLength)!.Value;
        if (axle.Corner.Linkage.LiftMm(longer) is not { } rise)
        {
            return (
                null,
                $"The new arms {where} cannot reach to where the spring carries its load: check its length at set-up, free length and rate."
            );
        }
        var ratio = axle.Corner.Ratio;
        // As for another coil: a rate known to 3 %, a load to 5 %; lengths as they are known.
        var along = StackAmounts.Hypot(
            0.03 * (coil.FreeLengthMm - length),
            0.05 * load / coil.RateAt(load),
            U(to.Dimensions[SuspensionSizes.SpringLength]),
            U(to.Dimensions[SuspensionSizes.SpringFreeLength])
        );
        return (
            new NewHeights(
                conversion.Axle,
                rise,
                ratio.Sd * longer,
                StackAmounts.Hypot(ratio.Mean * along, U(conversion.SetUpAt!)),
                [0, 0],
                [0, 0]
            ),
            null
        );
    }

    private static double U(Quantity length) =>
        length.UIn(Unit.Mm, length.Known == Known.Measured ? 2 : 5);

    private static string Said(Axle axle) => axle == Axle.Front ? "in front" : "at the rear";
}
