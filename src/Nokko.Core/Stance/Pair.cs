using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>Two rounds of one vehicle, station by station.</summary>
internal sealed class Pair(
    WalkRoundStance before,
    WalkRound beforeRound,
    WalkRoundStance after,
    WalkRound afterRound,
    IReadOnlyList<ConditionDifference> differences,
    IReadOnlyDictionary<Corner, Estimate?> mounts,
    bool tapesMixed = false
)
{
    private readonly bool _sameSpots = beforeRound.Spot is { } spot && spot == afterRound.Spot;

    private readonly double _shared = Math.Sqrt(differences.Sum(d => d.UMm * d.UMm));

    private readonly double _tapesU = differences.FirstOrDefault(d => d.Key == Tapes.Key)?.UMm ?? 0;

    private readonly bool _measured = !beforeRound.FromDocument && !afterRound.FromDocument;

    private readonly Known _known =
        beforeRound.FromDocument || afterRound.FromDocument ? Known.Document
        : beforeRound.Told || afterRound.Told ? Known.Told
        : Known.Measured;

    /// <summary>Rise of a station that was read in both, and the part of its uncertainty that is the tape's alone.</summary>
    public (MeasuredRise Rise, double TapeU) Rise(string station)
    {
        var datum = SharedDatum(station);
        return datum is { } d ? Direct(station, d.Datum, d.OwnMark) : Carried(station);
    }

    /// <summary>Body, springs and tyre: of the three differences floor, hub and loaded radius any two give the third.</summary>
    public CornerMotion Motion(Corner corner)
    {
        var floor = DirectIn(corner, Datum.Floor);
        var hub = DirectIn(corner, Datum.Hub);
        var tyre = Radius(corner);
        var raised = Mounts(corner);
        var overHub = hub ?? Sum(floor, tyre, -1) ?? No("heights from the hub, or hub heights");
        return new CornerMotion(
            corner,
            floor ?? Sum(hub, tyre, 1) ?? No("heights from the floor, or hub heights"),
            raised is null || overHub.Cannot is not null
                ? overHub
                : Sum(overHub, raised, -1)
                    ?? Result.No(
                        Unit.Mm,
                        "Needs to know what the mounts gave: read the frame too."
                    ),
            tyre ?? Sum(floor, hub, -1) ?? No("hub heights, or lips from both hub and floor"),
            raised
        );

        Result No(string what) => Result.No(Unit.Mm, $"Needs {what}, before and after.");
    }

    /// <summary>The body over its frame: a reading from the frame decides, else what was changed there.</summary>
    private Result? Mounts(Corner corner) =>
        DirectIn(corner, Datum.Frame)
        ?? (
            !mounts.TryGetValue(corner, out var changed) ? null
            : changed is { } rise ? Result.Of(rise.Mean, Unit.Mm, rise.Sd, [], Known.Estimated)
            : Result.No(Unit.Mm, "Nobody measured what was put between body and frame.")
        );

    private (Datum Datum, string? OwnMark)? SharedDatum(string station)
    {
        var shared = before
            .Stations.Where(s => s.Station == station)
            .Select(s => (s.Datum, s.OwnMark))
            .Intersect(
                after.Stations.Where(s => s.Station == station).Select(s => (s.Datum, s.OwnMark))
            )
            .OrderBy(d => d.Datum == after.Datum ? 0 : 1)
            .ToArray();
        return shared.Length == 0 ? null : shared[0];
    }

    private (MeasuredRise Rise, double TapeU) Direct(string station, Datum datum, string? mark)
    {
        var a = Height(before, station, datum, mark);
        var b = Height(after, station, datum, mark);
        var marked =
            datum == Datum.Hub
            && Corners.Named(station) is not null
            && beforeRound.HubMarked
            && afterRound.HubMarked;
        var later = b.Uncertainty.UInDifference(_sameSpots, marked);
        var tape = Rises.Root(
            beforeRound.FromDocument
                ? StanceOf.DocumentUMm
                : a.Uncertainty.UInDifference(_sameSpots, marked),
            later
        );
        if (tapesMixed)
        {
            // Some stations were read with one tape, some with another: each keeps their errors as its own.
            tape = Rises.Root(tape, Tapes.U(a, b));
        }
        return (
            new MeasuredRise(
                station,
                Result.Of(
                    b.Height.Have().Mean - a.Height.Have().Mean,
                    Unit.Mm,
                    Rises.Root(tape, _shared),
                    [.. a.Height.RestsOn, .. b.Height.RestsOn],
                    _known
                ),
                !a.Contaminated && !b.Contaminated && _measured && Decides(station, datum)
            )
            {
                SharedU = _shared,
                AfterU = later,
            },
            tape
        );
    }

    private bool Decides(string station, Datum datum) =>
        differences.All(d =>
            d.Decides
            && (d.FloorDecides || datum is Datum.Hub or Datum.Frame || !Concerns(d, station))
        );

    /// <summary>A tyre concerns its own corner, and every station between.</summary>
    private static bool Concerns(ConditionDifference difference, string station) =>
        Corners.Named(station) is null
        || !difference.Key.StartsWith("tyres.", StringComparison.Ordinal)
        || difference.Key == $"tyres.{station}";

    private (MeasuredRise Rise, double TapeU) Carried(string station)
    {
        var (a, b) = (before.At(station)!, after.At(station)!);
        var radii = Corners.Named(station) is not null
            ? before.Wheels.First(w => w.Wheel.Name() == station).Radii
            : null;
        if (
            radii is null
            || Datums.Convert(a.Own.Have().Mean, a.Own.Have().Sd, a.Datum, b.Datum, radii)
                is not { } height
        )
        {
            return (
                new MeasuredRise(
                    station,
                    Result.No(
                        Unit.Mm,
                        $"{Corners.Said(station)}: measured from two datums that cannot be turned into each other. Read it again from the same place as before."
                    ),
                    false
                ),
                0
            );
        }
        var tape = Rises.Root(
            Rises.Root(height.UMm, b.Own.Have().Sd),
            tapesMixed ? Tapes.U(a, b) : 0
        );
        return (
            new MeasuredRise(
                station,
                Result.Of(
                    b.Height.Have().Mean - height.Mm,
                    Unit.Mm,
                    Rises.Root(tape, _shared),
                    [.. a.Height.RestsOn, .. b.Height.RestsOn],
                    height.Decides ? Known.Computed : Known.Estimated
                ),
                height.Decides
                    && _measured
                    && !a.Contaminated
                    && !b.Contaminated
                    && Decides(station, Datum.Floor)
            )
            {
                SharedU = _shared,
                AfterU = b.Own.Have().Sd,
            },
            tape
        );
    }

    private static StationHeight Height(
        WalkRoundStance stance,
        string station,
        Datum datum,
        string? mark
    ) => stance.Stations.First(s => s.Station == station && s.Datum == datum && s.OwnMark == mark);

    private Result? DirectIn(Corner corner, Datum datum) =>
        before.Stations.Any(s => s.Station == corner.Name() && s.Datum == datum)
        && after.Stations.Any(s => s.Station == corner.Name() && s.Datum == datum)
            ? Direct(corner.Name(), datum, null).Rise.Rise
            : null;

    private Result? Radius(Corner corner)
    {
        var a = before.Wheels.First(w => w.Wheel == corner).LoadedRadius;
        var b = after.Wheels.First(w => w.Wheel == corner).LoadedRadius;
        return
            a is { Known: Known.Measured, Value: { } x, U: { } ux }
            && b is { Known: Known.Measured, Value: { } y, U: { } uy }
            ? Result.Of(
                y - x,
                Unit.Mm,
                Rises.Root(Rises.Root(ux, uy), _tapesU),
                [.. a.RestsOn, .. b.RestsOn]
            )
            : null;
    }

    private static Result? Sum(Result? a, Result? b, double sign) =>
        a is { Value: { } x, U: { } ux } && b is { Value: { } y, U: { } uy }
            ? Result.Of(x + (sign * y), Unit.Mm, Rises.Root(ux, uy), [.. a.RestsOn, .. b.RestsOn])
            : null;
}
