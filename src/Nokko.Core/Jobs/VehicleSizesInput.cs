using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A vehicle's sizes as typed; what is left out is estimated.</summary>
public sealed record VehicleSizesInput(
    QuantityInput? Wheelbase,
    QuantityInput? FrontTrack,
    QuantityInput? RearTrack,
    QuantityInput? FrontSpringBase,
    QuantityInput? RearSpringBase,
    QuantityInput? FrontAxleMass,
    QuantityInput? RearAxleMass,
    QuantityInput? FrontUnsprungShare,
    QuantityInput? RearUnsprungShare,
    QuantityInput? SillHeight,
    QuantityInput? MidMark,
    string? TyreSize,
    QuantityInput? FrontAxleRating = null,
    QuantityInput? RearAxleRating = null,
    QuantityInput? CgHeight = null
)
{
    /// <summary>Reads the sizes.</summary>
    /// <exception cref="RefusedException">A size cannot be, or the tyre is no tyre: all that cannot be are named at once.</exception>
    public VehicleDimensions Read()
    {
        Refuse.AllAtOnce(
            Typed().Select(t => (Func<object?>)(() => Size(t.Input, t.Name))).Append(ReadTyre)
        );
        return new()
        {
            Wheelbase = Size(Wheelbase, "wheelbase"),
            FrontTrack = Size(FrontTrack, "frontTrack"),
            RearTrack = Size(RearTrack, "rearTrack"),
            FrontSpringBase = Size(FrontSpringBase, "frontSpringBase"),
            RearSpringBase = Size(RearSpringBase, "rearSpringBase"),
            FrontAxleMass = Size(FrontAxleMass, "frontAxleMass"),
            RearAxleMass = Size(RearAxleMass, "rearAxleMass"),
            FrontUnsprungShare = Size(FrontUnsprungShare, "frontUnsprungShare"),
            RearUnsprungShare = Size(RearUnsprungShare, "rearUnsprungShare"),
            SillHeight = Size(SillHeight, "sillHeight"),
            MidMark = Size(MidMark, "midMark"),
            FrontAxleRating = Size(FrontAxleRating, "frontAxleRating"),
            RearAxleRating = Size(RearAxleRating, "rearAxleRating"),
            CgHeight = Size(CgHeight, "cgHeight"),
        };
    }

    private IEnumerable<(QuantityInput? Input, string Name)> Typed() =>
        [
            (Wheelbase, "wheelbase"),
            (FrontTrack, "frontTrack"),
            (RearTrack, "rearTrack"),
            (FrontSpringBase, "frontSpringBase"),
            (RearSpringBase, "rearSpringBase"),
            (FrontAxleMass, "frontAxleMass"),
            (RearAxleMass, "rearAxleMass"),
            (FrontUnsprungShare, "frontUnsprungShare"),
            (RearUnsprungShare, "rearUnsprungShare"),
            (SillHeight, "sillHeight"),
            (MidMark, "midMark"),
            (FrontAxleRating, "frontAxleRating"),
            (RearAxleRating, "rearAxleRating"),
            (CgHeight, "cgHeight"),
        ];

    private static Quantity? Size(QuantityInput? input, string name)
    {
        var unit = VehicleDimensions.Limits[name].Unit;
        var size = QuantityInput.Read(input, $"sizes.{name}", unit);
        return size is not null && VehicleDimensions.WhyNot(name, size.In(unit)) is { } why
            ? throw Refuse.Value($"sizes.{name}", why)
            : size;
    }

    /// <summary>Reads the tyre; null when none was typed.</summary>
    /// <exception cref="RefusedException">It is no tyre size.</exception>
    public string? ReadTyre() =>
        TypedText.Blank(TyreSize) is not { } text ? null
        : Vehicles.TyreSize.Parse(text) is not null ? text
        : throw Refuse.Value(
            "sizes.tyreSize",
            "That is no tyre size. Write it as on the tyre, for example 265/70R17 or 33x12.50R15."
        );
}
