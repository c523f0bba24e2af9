using Nokko.Core.Measuring;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Stance;

/// <summary>The rise of one station between two walk-rounds.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Rise">After minus before, mm.</param>
/// <param name="Decides">Whether a verdict may rest on it.</param>
public sealed record MeasuredRise(string Station, Result Rise, bool Decides);

/// <summary>Two walk-rounds compared.</summary>
public sealed record Comparison
{
    /// <summary>The earlier walk-round.</summary>
    public required Guid BeforeId { get; init; }

    /// <summary>The later walk-round.</summary>
    public required Guid AfterId { get; init; }

    /// <summary>Rises by station.</summary>
    public required IReadOnlyList<MeasuredRise> Rises { get; init; }

    /// <summary>The rigid-body check; null when fewer than four stations were read in both.</summary>
    public required RigidBody? Rigid { get; init; }

    /// <summary>Warp of the four corners' rises, mm; its uncertainty is 2u.</summary>
    public required Result Warp { get; init; }

    /// <summary>Why a check is missing or weak.</summary>
    public required IReadOnlyList<string> Notes { get; init; }
}

/// <summary>Subtracts walk-rounds, never across datums without saying so.</summary>
/// <remarks>Source: computation.md, sections 3 to 5.</remarks>
public static class Rises
{
    /// <summary>Standard uncertainty in mm of taking the hubs as unmoved while tyre and pressure stay the same.</summary>
    public const double HubsUnmovedUMm = 1;

    /// <summary>Compares two rounds of one vehicle on the same tyres.</summary>
    /// <param name="before">The earlier stance.</param>
    /// <param name="beforeRound">Its walk-round.</param>
    /// <param name="after">The later stance.</param>
    /// <param name="afterRound">Its walk-round.</param>
    /// <param name="vehicle">The vehicle.</param>
    public static Comparison Compare(
        WalkRoundStance before,
        WalkRound beforeRound,
        WalkRoundStance after,
        WalkRound afterRound,
        Vehicle vehicle
    )
    {
        var sameSpots = beforeRound.Spot is { } spot && spot == afterRound.Spot;
        var rises = new List<MeasuredRise>();
        var notes = new List<string>();
        foreach (var name in vehicle.Stations.Select(s => s.Name))
        {
            if (before.At(name) is null || after.At(name) is null)
            {
                continue;
            }
            rises.Add(Rise(name, before, beforeRound, after, afterRound, sameSpots, vehicle));
        }
        foreach (var rise in rises.Where(r => r.Rise.Cannot is not null))
        {
            notes.Add(rise.Rise.Cannot!);
        }
        var points = rises
            .Where(r => r.Rise.Value is not null && r.Decides)
            .Select(r => Point(r, before, vehicle))
            .ToArray();
        var rigid = RigidBodyCheck.Fit(points);
        if (rigid is null)
        {
            notes.Add(
                $"A rigid-body check needs at least four stations read before and after; there {(points.Length == 1 ? "is" : "are")} {points.Length}."
            );
        }
        else if (points.Length == 4)
        {
            notes.Add(
                "Four corners can show a warp but cannot tell which reading made it: read the door handles."
            );
        }
        return new Comparison
        {
            BeforeId = before.WalkRoundId,
            AfterId = after.WalkRoundId,
            Rises = rises,
            Rigid = rigid,
            Warp = WarpOf(rises),
            Notes = notes,
        };
    }

    private static MeasuredRise Rise(
        string name,
        WalkRoundStance before,
        WalkRound beforeRound,
        WalkRoundStance after,
        WalkRound afterRound,
        bool sameSpots,
        Vehicle vehicle
    )
    {
        var datums = before
            .Stations.Where(s => s.Station == name)
            .Select(s => s.Datum)
            .Intersect(after.Stations.Where(s => s.Station == name).Select(s => s.Datum))
            .OrderBy(d => d == after.Datum ? 0 : 1)
            .ToArray();
        if (datums.Length == 0)
        {
            return Converted(name, before.At(name)!, after.At(name)!, vehicle);
        }
        var a = before.Stations.First(s => s.Station == name && s.Datum == datums[0]);
        var b = after.Stations.First(s => s.Station == name && s.Datum == datums[0]);
        var marked =
            datums[0] == Datum.Hub
            && Corners.All.Contains(name)
            && beforeRound.HubMarked
            && afterRound.HubMarked;
        var u = Root(
            a.Uncertainty.UInDifference(sameSpots, marked),
            b.Uncertainty.UInDifference(sameSpots, marked)
        );
        return new MeasuredRise(
            name,
            Result.Of(
                b.Height.Value!.Value - a.Height.Value!.Value,
                "mm",
                u,
                [.. a.Height.RestsOn, .. b.Height.RestsOn],
                Known.Measured
            ),
            true
        );
    }

    private static MeasuredRise Converted(
        string name,
        StationHeight a,
        StationHeight b,
        Vehicle vehicle
    )
    {
        var tyre = Measuring.TyreSize.Parse(vehicle.TyreSize);
        var converted =
            tyre is null || !Corners.All.Contains(name)
                ? null
                : Datums.Convert(
                    a.Height.Value!.Value,
                    a.Height.U!.Value,
                    a.Datum,
                    b.Datum,
                    Datums.Estimate(tyre, vehicle.WheelLoadN(Corners.AxleOf(name)))
                );
        return converted is { } height
            ? new MeasuredRise(
                name,
                Result.Of(
                    b.Height.Value!.Value - height.Mm,
                    "mm",
                    Root(height.UMm, b.Height.U!.Value),
                    [.. a.Height.RestsOn, .. b.Height.RestsOn],
                    Known.Estimated
                ),
                height.Decides
            )
            : new MeasuredRise(
                name,
                Result.No(
                    "mm",
                    $"{Corners.Said(name)}: measured from two datums that cannot be turned into each other. Read it again from the same place as before."
                ),
                false
            );
    }

    /// <summary>A rise with its place. A mid station in floor datum beside hub rises is reduced by the hubs' own rise: none on the same tyres.</summary>
    private static StationRise Point(MeasuredRise rise, WalkRoundStance before, Vehicle vehicle)
    {
        var station = vehicle.Stations.First(s => s.Name == rise.Station);
        var reduced = !Corners.All.Contains(rise.Station) && before.Datum != Datum.Floor;
        var u = rise.Rise.U!.Value;
        return new StationRise(
            rise.Station,
            station.X.In("mm"),
            station.Y.In("mm"),
            rise.Rise.Value!.Value,
            reduced ? Root(u, HubsUnmovedUMm) : u
        );
    }

    private static Result WarpOf(List<MeasuredRise> rises)
    {
        var corners = Corners
            .All.Select(c => rises.FirstOrDefault(r => r.Station == c && r.Rise.Value is not null))
            .ToArray();
        if (corners.Any(c => c is null))
        {
            return Result.No("mm", "Warp needs all four corners before and after.");
        }
        double At(int i) => corners[i]!.Rise.Value!.Value;
        return Result.Of(
            At(0) + At(3) - At(1) - At(2),
            "mm",
            Math.Sqrt(corners.Sum(c => c!.Rise.U!.Value * c.Rise.U.Value)),
            corners.SelectMany(c => c!.Rise.RestsOn)
        );
    }

    private static double Root(double a, double b) => Math.Sqrt((a * a) + (b * b));
}
