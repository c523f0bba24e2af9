using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What tells a vehicle from others of its platform, as typed.</summary>
/// <param name="Built">Year of build.</param>
/// <param name="Body">Body or cab.</param>
/// <param name="Bed">Bed.</param>
/// <param name="Trim">Trim.</param>
/// <param name="SuspensionOption">Suspension option.</param>
public sealed record VariantInput(
    int? Built = null,
    string? Body = null,
    string? Bed = null,
    string? Trim = null,
    string? SuspensionOption = null
)
{
    /// <summary>A vehicle with what was typed.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="platform">Its platform, whose lists say how a value is written.</param>
    /// <param name="input">What was typed; null leaves it as it is.</param>
    /// <param name="engine">Engine as typed.</param>
    /// <param name="drive">Driven wheels as typed.</param>
    /// <exception cref="RefusedException">It is no year, or too long.</exception>
    internal static Vehicle On(
        Vehicle vehicle,
        Platform platform,
        VariantInput? input,
        string? engine,
        string? drive
    )
    {
        var typed =
            input
            ?? new(
                vehicle.Built,
                vehicle.Body,
                vehicle.Bed,
                vehicle.Trim,
                vehicle.SuspensionOption
            );
        return vehicle with
        {
            Built = typed.Built is null or (>= PartFit.FirstYear and <= PartFit.LastYear)
                ? typed.Built
                : throw Refuse.Value("variant.built", "Write the year with four digits."),
            Engine = Value(VariantAspect.Engine, engine, "engine"),
            Drive = Value(VariantAspect.Drive, drive, "drive"),
            Body = Value(VariantAspect.Body, typed.Body, "variant.body"),
            Bed = Value(VariantAspect.Bed, typed.Bed, "variant.bed"),
            Trim = Value(VariantAspect.Trim, typed.Trim, "variant.trim"),
            SuspensionOption = Value(
                VariantAspect.SuspensionOption,
                typed.SuspensionOption,
                "variant.suspensionOption"
            ),
        };

        string? Value(VariantAspect aspect, string? text, string field) =>
            TypedText.Line(text, field) is { } value
                ? platform.ValuesOf(aspect).FirstOrDefault(v => Variant.Same(v, value)) ?? value
                : null;
    }
}
