using System.Globalization;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <summary>A line of a drawn tape.</summary>
/// <param name="AtMm">Where it is, mm below the line of sight; above it below zero.</param>
/// <param name="Rank">0 is a whole inch or centimetre, then halves and so on: the shorter, the greater.</param>
public sealed record TapeTick(double AtMm, int Rank);

/// <summary>A number that is printed on a tape.</summary>
/// <param name="AtMm">At which line, mm below the line of sight.</param>
/// <param name="Text">The number.</param>
public sealed record TapeNumber(double AtMm, string Text);

/// <summary>A piece of a tape as an eye sees it: the mark that it is read at lies at zero.</summary>
/// <param name="Unit">What its numbers are: inches or centimetres.</param>
/// <param name="HalfMm">It is seen from this far above to this far below, mm.</param>
/// <param name="Ticks">Its lines.</param>
/// <param name="Numbers">Its numbers.</param>
/// <param name="Mark">What it is read at: the hub's centre, the rim's edge, the floor.</param>
/// <param name="Eye">Where the eye is, in steps above the mark.</param>
/// <param name="HookMm">How far the hook hangs off its edge, mm.</param>
/// <param name="Behind">Whether the mark lies behind the tape, so that it matters where the eye is.</param>
public sealed record TapeView(
    Unit Unit,
    double HalfMm,
    IReadOnlyList<TapeTick> Ticks,
    IReadOnlyList<TapeNumber> Numbers,
    string Mark,
    int Eye,
    double HookMm,
    bool Behind
);

/// <summary>Draws a tape that hangs from an edge by its hook, its numbers growing downward, where it passes what it is read at.</summary>
/// <remarks>Source: docs/computation/practice.md#drawn-tape.</remarks>
public static class DrawnTape
{
    /// <summary>A step of the eye above the mark, °.</summary>
    public const double StepDegrees = 8;

    /// <summary>Steps that the eye can be off.</summary>
    public const int MostSteps = 2;

    /// <summary>How far it is seen above and below its mark, mm.</summary>
    private const double HalfMm = 44;

    /// <summary>How far in front of its mark a tape hangs, mm: of the hub's centre; of the rim's edge; on the floor it stands.</summary>
    /// <param name="from">The datum.</param>
    public static double StandOffMm(Datum from) =>
        from switch
        {
            Datum.Hub => 45,
            Datum.Rim => 20,
            _ => 0,
        };

    /// <summary>By how much an eye that is not level reads wrong, mm: from above too little.</summary>
    /// <param name="from">The datum.</param>
    /// <param name="eye">Steps above the mark.</param>
    public static double ParallaxMm(Datum from, int eye) =>
        -StandOffMm(from) * Math.Tan(eye * StepDegrees * Math.PI / 180);

    /// <summary>Draws it.</summary>
    /// <param name="mm">The height that a tape would read that is held right, mm.</param>
    /// <param name="division">Smallest division: a part of an inch, or a millimetre.</param>
    /// <param name="from">The datum.</param>
    /// <param name="hookMm">How far the hook hangs below its edge, mm: so much it reads too little.</param>
    /// <param name="eye">Where the eye is, in steps above the mark, −<see cref="MostSteps"/> to <see cref="MostSteps"/>.</param>
    public static TapeView Of(double mm, Quantity division, Datum from, double hookMm, int eye)
    {
        eye = Math.Clamp(eye, -MostSteps, MostSteps);
        var shown = mm - hookMm + ParallaxMm(from, eye);
        var inches = division.Unit == Unit.Inch;
        // Sixteenths are what is printed on a tape for eyes; a finer division is judged between them.
        var (step, parts) = inches ? (25.4 / 16, 16) : (1.0, 10);
        var ticks = new List<TapeTick>();
        var numbers = new List<TapeNumber>();
        var last = (long)Math.Floor((shown + HalfMm) / step);
        for (var i = (long)Math.Max(0, Math.Ceiling((shown - HalfMm) / step)); i <= last; i++)
        {
            var at = (i * step) - shown;
            ticks.Add(new TapeTick(at, RankOf(i, parts)));
            if (i % parts == 0)
            {
                numbers.Add(new TapeNumber(at, (i / parts).ToString(CultureInfo.InvariantCulture)));
            }
        }
        return new TapeView(
            inches ? Unit.Inch : Unit.Cm,
            HalfMm,
            ticks,
            numbers,
            from switch
            {
                Datum.Hub => "hub centre",
                Datum.Rim => "edge of the rim",
                _ => "floor",
            },
            eye,
            hookMm,
            StandOffMm(from) > 0
        );
    }

    private static int RankOf(long i, int parts)
    {
        if (parts == 10)
        {
            return i % 10 == 0 ? 0
                : i % 5 == 0 ? 1
                : 2;
        }
        for (var (rank, size) = (0, parts); size > 1; rank++, size /= 2)
        {
            if (i % size == 0)
            {
                return rank;
            }
        }
        return 4;
    }
}
