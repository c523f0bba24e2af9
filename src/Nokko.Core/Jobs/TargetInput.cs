using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>A target as typed.</summary>
public sealed record TargetInput(
    Datum Datum,
    bool WantsRake,
    QuantityInput? Rake,
    QuantityInput? LeastFrontLift,
    QuantityInput? LeastRearLift,
    QuantityInput? Tolerance,
    QuantityInput? MostFrontLift = null,
    QuantityInput? MostRearLift = null,
    bool NoLean = false,
    bool Loaded = false,
    bool EvenDiagonals = false
)
{
    /// <summary>Reads it; no rake typed is level.</summary>
    /// <exception cref="RefusedException">A field cannot be taken.</exception>
    public Target Read()
    {
        Refuse.AllAtOnce(
            ReadRake,
            () => Lift(LeastFrontLift, "leastFrontLift"),
            () => Lift(LeastRearLift, "leastRearLift"),
            () => Lift(MostFrontLift, "mostFrontLift"),
            () => Lift(MostRearLift, "mostRearLift"),
            () => Lift(Tolerance, "tolerance")
        );
        return new()
        {
            Datum = Datum,
            Rake = WantsRake ? ReadRake() ?? Quantity.Mm(0, Known.Told) : null,
            LeastFrontLift = Lift(LeastFrontLift, "leastFrontLift"),
            LeastRearLift = Lift(LeastRearLift, "leastRearLift"),
            MostFrontLift = Lift(MostFrontLift, "mostFrontLift"),
            MostRearLift = Lift(MostRearLift, "mostRearLift"),
            NoLean = NoLean,
            Loaded = Loaded,
            EvenDiagonals = EvenDiagonals,
            Tolerance =
                Lift(Tolerance, "tolerance")
                ?? Quantity.Mm(Target.UsualToleranceMm, Known.Estimated),
        };
    }

    private Quantity? ReadRake() =>
        WantsRake ? QuantityInput.Read(Rake, "target.rake", Unit.Mm, positive: false) : null;

    private static Quantity? Lift(QuantityInput? input, string name) =>
        QuantityInput.Read(input, $"target.{name}", Unit.Mm);
}
