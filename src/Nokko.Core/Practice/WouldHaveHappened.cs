using Nokko.Core.Fitting;

namespace Nokko.Core.Practice;

/// <summary>What passing over a hold point can come to.</summary>
/// <param name="Step">Key of the hold point on the card.</param>
/// <param name="Title">What the card calls it.</param>
/// <param name="For">Why the hand should have stopped there.</param>
/// <param name="Said">What would have happened, in a fitter's words.</param>
public sealed record WouldHaveHappened(string Step, string Title, HoldReason For, string Said)
{
    /// <summary>Of a hold point that was passed over.</summary>
    /// <param name="step">The hold point.</param>
    /// <exception cref="ArgumentException">The step is no hold point.</exception>
    public static WouldHaveHappened Of(CardStep step) =>
        step.HoldFor is { } reason
            ? new(step.Key, step.Title, reason, Words(reason))
            : throw new ArgumentException("The step is no hold point.", nameof(step));

    /// <summary>What rubber that was closed hanging comes to.</summary>
    public static string Rubber => Words(HoldReason.RideHeight);

    private static string Words(HoldReason reason) =>
        reason switch
        {
            HoldReason.Weight =>
                "It stood on nothing but the jack. The jack leaked down; the frame came to rest where your arm was.",
            HoldReason.LastHold =>
                "That was the last thing that held it. It swung down and aside, the brake hose went tight and tore, and the axle hung on the shock.",
            HoldReason.Energy =>
                "The spring was still under load. It left its seat at head height and went through the door of the bay.",
            HoldReason.Irreversible =>
                "It was cut before it was tried. The hole is where it is; the bracket does not reach it.",
            HoldReason.WeightBack =>
                "Weight went onto joints that were only started by hand. A bolt bent in its hole and the wheel stood in the arch.",
            HoldReason.RideHeight =>
                "Rubber was closed while it hung. It holds the nose high now, and it will tear within a year.",
            HoldReason.BrakeTest =>
                "The first press of the pedal was at the gate, at speed. It went to the floor.",
            _ => throw new ArgumentOutOfRangeException(nameof(reason), reason, "No reason."),
        };
}
