using BenchmarkDotNet.Attributes;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Bench;

/// <summary>A position of each linkage beside the bare arithmetic of two circles that meet.</summary>
public class LinkageBench
{
    private readonly PlanePoint _a = new(230, 250);
    private readonly PlanePoint _b = new(405, 770);
    private readonly PlanePoint _near = new(455, 245);
    private readonly double _ra;
    private readonly ILinkage _wishbone = Of(SuspensionKind.CoilOverArm);
    private readonly ILinkage _strut = Of(SuspensionKind.Strut);
    private readonly ILinkage _arm = Of(SuspensionKind.TrailingArm);
    private readonly ILinkage _fourLink = Of(SuspensionKind.CoilFourLink);
    private double _longer;

    public LinkageBench() => _ra = (_near - _a).Length;

    private static ILinkage Of(SuspensionKind kind)
    {
        var archetype = Archetype.Of(kind)!;
        return archetype.Linkage([.. archetype.Points.Select(p => p.At)]);
    }

    // Another length each time: nothing can be remembered.
    private double Next() => _longer = _longer > 30 ? -30 : _longer + 0.37;

    [Benchmark(Baseline = true)]
    public PlanePoint? TwoCircles() => PlanePoint.Meeting(_a, _ra, _b, 527.4 + Next(), _near);

    [Benchmark]
    public WheelPlace? Wishbone() => _wishbone.WheelAt(_wishbone.RideLengthMm + Next());

    [Benchmark]
    public WheelPlace? Strut() => _strut.WheelAt(_strut.RideLengthMm + Next());

    [Benchmark]
    public WheelPlace? Arm() => _arm.WheelAt(_arm.RideLengthMm + Next());

    [Benchmark]
    public WheelPlace? FourLink() => _fourLink.WheelAt(_fourLink.RideLengthMm + Next());
}
