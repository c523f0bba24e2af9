using Nokko.Core.Units;

namespace Nokko.Core.Tape;

/// <summary>What the tape reader made of a text: a value, a question, or a refusal.</summary>
public abstract record TapeReading
{
    private TapeReading() { }

    /// <summary>A length that was understood.</summary>
    /// <param name="Mm">The length in mm, after strong or shy.</param>
    /// <param name="Unit">The unit in which it was typed: "in", "mm" or "cm".</param>
    /// <param name="Nudged">Whether "strong" or "shy" moved it by a quarter division, which doubles its resolution term.</param>
    public sealed record Understood(double Mm, Unit Unit, bool Nudged) : TapeReading;

    /// <summary>A text with more than one likely meaning.</summary>
    /// <param name="Question">The question, in a fitter's words.</param>
    /// <param name="Choices">The meanings; the key of the one chosen is passed back to the reader.</param>
    public sealed record Asked(string Question, IReadOnlyList<TapeChoice> Choices) : TapeReading;

    /// <summary>A text that is no length.</summary>
    /// <param name="Reason">What is wrong and what would be right.</param>
    /// <param name="Position">Zero-based place in the text where reading stopped.</param>
    public sealed record Refused(string Reason, int Position) : TapeReading;
}

/// <summary>One possible meaning of an ambiguous text.</summary>
/// <param name="Key">What to pass back: <c>slash</c>, <c>asTyped</c>, <c>in</c>, <c>mm</c>, <c>decimal</c> or <c>thousand</c>.</param>
/// <param name="Label">The meaning as shown.</param>
/// <param name="Mm">The length that it would give, in mm.</param>
public sealed record TapeChoice(string Key, string Label, double Mm);

/// <summary>What the field expects.</summary>
/// <param name="Unit">Unit of a bare number: "in", "mm" or "cm".</param>
/// <param name="DivisionMm">The smallest division of the tape in mm; "strong" and "shy" move by a quarter of it.</param>
/// <param name="BandsMm">Usual ranges of the quantity in mm; empty when any length may be typed.</param>
/// <param name="MayBeBelowZero">Whether it has a side or a direction, so that a sign may stand before the number.</param>
public sealed record TapeField(
    Unit Unit,
    double DivisionMm,
    IReadOnlyList<Band> BandsMm,
    bool MayBeBelowZero = false
);

/// <summary>A usual range.</summary>
/// <param name="LowMm">Lower end in mm.</param>
/// <param name="HighMm">Upper end in mm.</param>
public readonly record struct Band(double LowMm, double HighMm)
{
    /// <summary>Whether a length in mm lies inside, ends included.</summary>
    public bool Holds(double mm) => mm >= LowMm && mm <= HighMm;
}
