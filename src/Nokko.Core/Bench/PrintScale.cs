using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <summary>By how much a sheet is drawn larger, so that a printer that prints it too small makes it as large as it should be.</summary>
/// <param name="Across">Factor across the sheet; 1 where it is drawn as it is.</param>
/// <param name="Down">Factor down the sheet.</param>
/// <param name="Proved">Whether the bars of the print at hand were measured both ways, and are as long as they should be: only by such a print is anything cut.</param>
/// <param name="U">Standard uncertainty of its printed lengths, as a share of them; null until it is proved.</param>
/// <param name="Says">What to do with it, in a fitter's words.</param>
/// <remarks>Source: docs/computation/templates.md#is-the-print-as-large-as-it-should-be.</remarks>
public sealed record PrintScale(double Across, double Down, bool Proved, double? U, string Says)
{
    /// <summary>The bars that are printed in each direction: their length in mm, and how they are called in fields and on the sheet.</summary>
    public static IReadOnlyList<(double Mm, string Name, string Said)> Bars { get; } =
    [(100, "Mm", "100 mm"), (4 * 25.4, "In", "4 in")];

    /// <summary>Standard uncertainty of a bar that is read with a steel rule, mm: a rule of thumb.</summary>
    private const double ReadUMm = 0.25;

    /// <summary>A bar that is out by no more is as long as it should be: nobody reads it better, mm.</summary>
    private const double AsReadMm = 0.5;

    /// <summary>Most by which a print is corrected, as a share: beyond, it was fitted to the page, or it is another sheet.</summary>
    private const double Most = 0.03;

    /// <summary>Most by which the two bars of one direction may differ, as a share of their length: readings of one print.</summary>
    private const double Apart = 0.01;

    /// <summary>Fields in which the bars of a print are typed.</summary>
    public static IReadOnlyList<BenchField> Fields { get; } =
    [
        .. from way in (string[])["across", "down"]
        from bar in Bars
        select new BenchField(way + bar.Name, $"{bar.Said} bar {way}", Unit.Mm, "", Optional: true),
    ];

    /// <summary>The scale that bars of a print tell.</summary>
    /// <param name="number">Their lengths as measured, mm; null where nothing was typed.</param>
    /// <exception cref="BenchException">A bar is missing, or no print of this sheet has it.</exception>
    public static PrintScale Of(Func<string, double?> number)
    {
        var (across, down) = (Read("across", number), Read("down", number));
        if (across is null && down is null)
        {
            return new(
                1,
                1,
                false,
                null,
                "Not proved yet. Print it at actual size (100 %), then measure a bar across and a bar down before anything is cut."
            );
        }
        if (across is null || down is null)
        {
            throw new BenchException(
                (across is null ? "across" : "down") + Bars[0].Name,
                "Measure a bar in this direction too: printers stretch one way more than the other."
            );
        }
        var asIs = across.Value.AsIs && down.Value.AsIs;
        return new(
            asIs ? 1 : 1 / across.Value.Share,
            asIs ? 1 : 1 / down.Value.Share,
            asIs,
            asIs ? Math.Max(across.Value.U, down.Value.U) : null,
            asIs
                ? "The bars are as long as they should be: cut by this print."
                : FormattableString.Invariant(
                    $"This printer prints {across.Value.Share:0.0 %} across and {down.Value.Share:0.0 %} down. The sheet is drawn larger or smaller by that now: print it again on the same printer, and measure the bars of the new print; cut by it only when they are as long as they should be."
                )
        );
    }

    /// <summary>What the bars of one direction tell: how long they are for each unit that they should be.</summary>
    private static (double Share, double U, bool AsIs)? Read(
        string way,
        Func<string, double?> number
    )
    {
        var read = Bars.Select(b => (b.Mm, b.Said, Field: way + b.Name, Is: number(way + b.Name)))
            .Where(b => b.Is is not null)
            .Select(b => (b.Mm, b.Said, b.Field, Share: b.Is!.Value / b.Mm))
            .ToArray();
        if (read.Length == 0)
        {
            return null;
        }
        if (read.FirstOrDefault(b => Math.Abs(b.Share - 1) > Most) is { Field: not null } off)
        {
            throw new BenchException(
                off.Field,
                FormattableString.Invariant(
                    $"That is {off.Share:0 %} of {off.Said}. Print it at actual size (100 %), not fitted to the page, and measure again: by this print nothing is cut."
                )
            );
        }
        if (read.Max(b => b.Share) - read.Min(b => b.Share) > Apart)
        {
            throw new BenchException(
                read[^1].Field,
                $"The two bars {way} tell two different sizes of one print. Read both again."
            );
        }
        var share = read.Average(b => b.Share);
        var asIs = read.All(b => Math.Abs(b.Share - 1) * b.Mm <= AsReadMm);
        // Readings of two bars are two readings; what is left as it is keeps the error that was read.
        var own = Math.Sqrt(read.Sum(b => Math.Pow(ReadUMm / b.Mm, 2))) / read.Length;
        return (share, Math.Sqrt((own * own) + Math.Pow(share - 1, 2)), asIs);
    }
}
