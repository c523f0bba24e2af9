using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Evidence;

/// <summary>One trial: a thickness fitted, and the free rise that was found.</summary>
/// <param name="ThicknessMm">t, mm: above zero where a stack is new; else the change, not zero.</param>
/// <param name="FreeRiseMm">h, mm.</param>
/// <param name="FreeRiseUMm">Standard uncertainty of h, mm; above zero.</param>
/// <param name="ForetoldRatio">Rise per thickness that was believed before the trial: it turns an uncertain thickness into an uncertain rise.</param>
/// <param name="IsNew">Whether nothing of the family was in before: then bushings settle anew, and the offset counts.</param>
public sealed record LiftTrial(
    double ThicknessMm,
    double FreeRiseMm,
    double FreeRiseUMm,
    double ForetoldRatio,
    bool IsNew = true
)
{
    /// <summary>Variance of the free rise about the vehicle's own line, mm²: of the readings, and of a thickness that is known to 0.2 mm.</summary>
    /// <remarks>Source: docs/computation/learning.md#lift-line.</remarks>
    public double Variance =>
        (FreeRiseUMm * FreeRiseUMm) + Math.Pow(ForetoldRatio * LiftLaw.MeasuredThicknessUMm, 2);

    /// <summary>Why it can teach nothing; null when it can.</summary>
    public string? WhyNot() =>
        !double.IsFinite(ThicknessMm)
        || !double.IsFinite(FreeRiseMm)
        || !double.IsFinite(ForetoldRatio)
            ? "A number of it is not finite."
        : IsNew && !(ThicknessMm > 0) ? "A stack that is new has a thickness above zero."
        : ThicknessMm == 0 ? "No thickness was changed."
        : !(FreeRiseUMm > 0) || !double.IsFinite(FreeRiseUMm) ? "Its ± is not known."
        : null;
}

/// <summary>A lift line that trials teach: they are never mixed with those of another.</summary>
/// <param name="PlatformId">The platform.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Suspension">Kind of the axle's suspension.</param>
/// <param name="Family">Family of the parts.</param>
public sealed record LineKey(
    Guid PlatformId,
    Axle Axle,
    SuspensionKind Suspension,
    LiftFamily Family
);

/// <summary>A trial of one vehicle, with the line that it teaches.</summary>
/// <param name="Line">The line.</param>
/// <param name="Ordinal">Place of the stage that it made, in the vehicle's chain.</param>
/// <param name="Trial">The trial.</param>
public sealed record TaughtTrial(LineKey Line, int Ordinal, LiftTrial Trial);
