using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>What one axle needs so that another tyre has room.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Growth">By how much the tyre's radius grows, mm.</param>
/// <param name="Parked">Least rise of the body over the wheel so that a gap is kept on its wheels, mm; below zero is to spare.</param>
/// <param name="Flexed">By how much the bump stop must be longer so that it meets before the tyre does, mm; lifting the springs does not help here. Zero is enough as it is.</param>
/// <param name="AtLock">The least that is left of the gaps that were taped while it turned to its locks.</param>
public sealed record TyreRoom(Axle Axle, double Growth, Result Parked, Result Flexed, Result AtLock)
{
    /// <summary>Gap that is kept above a tyre on its wheels, mm: a rule of thumb.</summary>
    public const double LeastGapMm = TyreContacts.KeepAboveMm;

    /// <summary>The room of both axles, or null when a size cannot be read.</summary>
    /// <param name="vehicle">The vehicle with the tyres that are on.</param>
    /// <param name="size">Size of the new tyres.</param>
    public static IReadOnlyList<TyreRoom>? Of(Vehicle vehicle, string size) =>
        TyreSize.Parse(vehicle.TyreSize) is { } now && TyreSize.Parse(size) is { } next
            ? [.. new[] { Axle.Front, Axle.Rear }.Select(axle => Of(vehicle, axle, now, next))]
            : null;

    private static TyreRoom Of(Vehicle vehicle, Axle axle, TyreSize now, TyreSize next)
    {
        var growth = (next.DiameterMm - now.DiameterMm) / 2;
        var state = AxleState.Of(vehicle, axle);
        var gap = state.Suspension.Get(SuspensionSizes.TyreGap);
        const string TapeIt = "Tape the gap from the tyre to what is above it (Vehicle, sizes).";
        var ends = new TravelEnds(state, [], 0, growth);
        var tyre = ends.Bump.FirstOrDefault(b => b.What == TravelEnds.TyreTouches);
        var others = ends.Bump.Where(b => b.What != TravelEnds.TyreTouches).ToArray();
        return new TyreRoom(
            axle,
            growth,
            gap is { } g
                ? Result.Of(LeastGapMm + growth - g, Unit.Mm, 2, [])
                : Result.No(Unit.Mm, TapeIt),
            gap is null ? Result.No(Unit.Mm, TapeIt)
                : others.Length == 0
                    ? Result.No(
                        Unit.Mm,
                        "Enter the gap at the bump stop and its height: then it can be told what meets first."
                    )
                : Result.Of(
                    Math.Max(0, (others.Min(o => o.W) - tyre.W) * ends.StopShare),
                    Unit.Mm,
                    3,
                    []
                ),
            axle == Axle.Rear
                ? Result.No(Unit.Mm, "It does not steer.")
                : TyreContacts.LeastTurned(
                    state.Suspension,
                    TyreSwap.Of(now, next, state.Suspension)
                )
                    ?? Result.No(
                        Unit.Mm,
                        FormattableString.Invariant(
                            $"Tape the gap at full lock, before and behind: there will be {LengthText.Both(growth)} less of it."
                        )
                    )
        );
    }
}
