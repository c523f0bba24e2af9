using Nokko.Core.Suspension;
using Nokko.Core.Units;

namespace Nokko.Core.Geometry;

/// <summary>A value that goes into a mechanism.</summary>
/// <param name="Of">The value with its standard uncertainty, in mm or rad.</param>
/// <param name="Known">How it is known.</param>
/// <param name="Size">The size that it is; null for a rise.</param>
/// <param name="TapedU">Standard uncertainty that it has once it is taped.</param>
internal readonly record struct Given(
    Estimate Of,
    Known Known,
    string? Size = null,
    double TapedU = AxleSizes.JointUMm
);

/// <summary>The values of a mechanism, each with its ±; what was not taped is an invented axle's, with a wide band.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#first-order, docs/computation/geometry.md#what-nobody-taped.</remarks>
internal sealed class AxleSizes(Vehicles.Suspension suspension)
{
    /// <summary>Standard uncertainty of a length taped between two joints, mm: a rule of thumb.</summary>
    public const double JointUMm = 3;

    /// <summary>The same where it was judged by eye or told, mm.</summary>
    private const double EyeUMm = 12;

    /// <summary>Standard uncertainty of a share that was taped, as two lengths over each other: a rule of thumb.</summary>
    public const double ShareU = 0.03;

    private readonly List<Given> _given = [];
    private readonly List<(int First, int Second, double Covariance)> _shared = [];

    /// <summary>Adds a size of the axle.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="invented">What an invented axle has there, with its spread, mm.</param>
    public AxleSizes Size(string name, Estimate invented)
    {
        _given.Add(
            suspension.Get(name) is { } mm
                ? new Given(
                    new Estimate(mm, Sharp(suspension.Dimensions[name].Known) ? JointUMm : EyeUMm),
                    suspension.Dimensions[name].Known,
                    name
                )
                : new Given(invented, Known.Archetype, name)
        );
        return this;
    }

    /// <summary>Adds a share of the wheel's way, a number without a unit.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="share">The share with its standard uncertainty: as taped, else as an invented axle has it.</param>
    public AxleSizes Share(string name, Estimate share)
    {
        _given.Add(
            suspension.Dimensions.TryGetValue(name, out var taped)
                ? new Given(share, taped.Known, name, ShareU)
                : new Given(share, Known.Archetype, name, ShareU)
        );
        return this;
    }

    /// <summary>Adds a number that is what it is.</summary>
    public AxleSizes Fixed(double value)
    {
        _given.Add(new Given(new Estimate(value, 0), Known.Computed));
        return this;
    }

    /// <summary>Adds how far the frame rises.</summary>
    public AxleSizes Rise(Estimate rise)
    {
        _given.Add(new Given(rise, Known.Computed));
        return this;
    }

    /// <summary>Adds the rises over both axles, which share errors.</summary>
    public AxleSizes Rises(AxleRises rises)
    {
        var at = _given.Count;
        _shared.Add((at, at + 1, rises.Covariance));
        return Rise(rises.Front).Rise(rises.Rear);
    }

    /// <summary>Whether any of them is an invented axle's.</summary>
    public bool Invented => _given.Any(g => g.Known == Known.Archetype);

    /// <summary>The values.</summary>
    public double[] At => [.. _given.Select(g => g.Of.Mean)];

    /// <summary>A value of theirs with its ±.</summary>
    /// <param name="unit">mm or °: angles are worked out in rad.</param>
    /// <param name="of">The value from all of them, in mm or rad; null where it cannot reach.</param>
    public Result Worked(Unit unit, Func<double[], double?> of)
    {
        var factor = unit == Unit.Degree ? 180 / Math.PI : 1;
        return of(At) is { } value
            ? Result.Of(
                value * factor,
                unit,
                U(of) * factor,
                [],
                Invented ? Known.Archetype : Known.Computed
            )
            : Result.No(unit, "It cannot reach that far: check what was taped.");
    }

    /// <summary>The same with its label.</summary>
    public LabelledResult Worked(string label, Unit unit, Func<double[], double?> of) =>
        new(label, Worked(unit, of));

    /// <summary>Sizes that nobody taped, and what each would do to the ± of a value; those that sharpen it most first.</summary>
    public IReadOnlyList<AskedSize> Asks(Unit unit, Func<double[], double?> of)
    {
        var factor = unit == Unit.Degree ? 180 / Math.PI : 1;
        var now = U(of) * factor;
        return
        [
            .. _given
                .Select((g, i) => (g.Known, g.Size, Index: i))
                .Where(g => g.Known == Known.Archetype)
                .Select(g => new AskedSize(g.Size!, now, U(of, g.Index) * factor))
                .OrderBy(a => a.ThenU),
        ];
    }

    private double U(Func<double[], double?> of, int? taped = null) =>
        FirstOrder.U(
            of,
            [.. _given.Select((g, i) => (g.Of.Mean, i == taped ? g.TapedU : g.Of.Sd))],
            [.. _shared]
        );

    private static bool Sharp(Known known) => known is Known.Measured or Known.Document;
}
