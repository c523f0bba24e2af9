using Nokko.Core.Units;

namespace Nokko.Core.Geometry;

/// <content>The same with what could be done: further out, smaller, stops earlier.</content>
internal sealed partial class TyreContacts
{
    /// <summary>By how much earlier steering stops are set at most to clear a tyre, °: it turns in a wider circle.</summary>
    public const int MostEarlier = 10;

    /// <summary>The same on rims that hold the tyres further out.</summary>
    public TyreContacts MovedOut(double mm) =>
        With(s => s with { Next = s.Next with { OutMm = s.Next.OutMm + mm } });

    /// <summary>The same with tyres of another diameter.</summary>
    public TyreContacts OfDiameter(double mm) =>
        On([.. _swaps.Select(s => s with { Next = s.Next with { RadiusMm = mm / 2 } })]);

    /// <summary>The same with other tyres.</summary>
    /// <param name="swaps">Those of both sides.</param>
    public TyreContacts On(IReadOnlyList<TyreSwap> swaps)
    {
        var less = (DiameterMm / 2) - swaps.Max(s => s.Next.RadiusMm);
        Result More(Result r) => r.Value is { } v ? Result.Of(v + less, Unit.Mm, r.U, []) : r;
        return new TyreContacts(
            _axle,
            swaps,
            _above is { } above ? (More(above.Ride), More(above.Bump)) : null,
            _lifted,
            _earlier
        );
    }

    private TyreContacts With(Func<TyreSwap, TyreSwap> of) =>
        new(_axle, [.. _swaps.Select(of)], _above, _lifted, _earlier);

    /// <summary>With the steering stops set so many whole degrees earlier that the frame is cleared at lock; null where the most is not enough.</summary>
    public (int Degrees, TyreContacts Contacts)? LessLock() =>
        Enumerable
            .Range(1, MostEarlier)
            .Select(degrees =>
                ((int, TyreContacts)?)
                    (degrees, new TyreContacts(_axle, _swaps, _above, _lifted, _earlier + degrees))
            )
            .FirstOrDefault(t =>
                t!.Value.Item2.Contacts.All(c =>
                    c is not { With: ContactWith.Frame, Turned: true }
                    || c.Stands is null or ContactStands.Enough
                )
            );

    /// <summary>The largest diameter, as wide and on the same rims, with which every gap that is known keeps what it must, mm; null where none does.</summary>
    public double? LargestDiameterMm()
    {
        bool Clears(double mm) =>
            OfDiameter(mm).Contacts.All(c => c.Stands is null or ContactStands.Enough);
        var (low, high) = (0.7 * DiameterMm, 1.4 * DiameterMm);
        if (Least is null || !Clears(low))
        {
            return null;
        }
        while (high - low > 0.1)
        {
            var middle = (low + high) / 2;
            (low, high) = Clears(middle) ? (middle, high) : (low, middle);
        }
        return Math.Floor(low);
    }
}
