using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Stance;

/// <summary>A comparison in plain sentences.</summary>
public static class ComparisonWords
{
    /// <summary>What fits and what does not, which axle should not have moved, and what differed in the conditions.</summary>
    public static IReadOnlyList<string> Say(Comparison comparison, LengthStyle style)
    {
        var words = new List<string>();
        if (comparison.Rigid is { } rigid)
        {
            words.Add(SayRigid(rigid, comparison, style));
        }
        words.AddRange(
            comparison.Controls.Select(c =>
            {
                var (rise, u) = c.Rise.Have();
                var said = $"{Signed(rise, style)} ± {LengthText.ShowUp(2 * u, style)}";
                return c.Moved
                    ? $"Nobody touched the {c.Axle.Said()} axle, and it moved {said}: a reading, the load or a bush is the reason."
                    : $"Nobody touched the {c.Axle.Said()} axle, and it stayed within what the tape can show ({said}).";
            })
        );
        words.AddRange(
            comparison
                .Corners.Where(c =>
                    c.Springs.Value is not null
                    && c.Mounts is { Value: { } mounts, U: { } u }
                    && Math.Abs(mounts) > 2 * u
                )
                .Select(c =>
                {
                    var (springs, mounts) = (c.Springs.Have().Mean, c.Mounts!.Have().Mean);
                    return $"{Sentence(c.Corner.Name())}: the lip rose {Signed(springs + mounts, style)} over the hub; of that the mounts gave {Signed(mounts, style)}, {(c.Mounts.Known == Known.Estimated ? "by their parts (a reading from the frame decides)" : "read from the frame")}, and the springs {Signed(springs, style)}.";
                })
        );
        words.AddRange(
            comparison
                .Corners.Where(c =>
                    c
                        is {
                            Body.Value: not null,
                            Springs.Value: not null,
                            Tyre: { Value: { } tyre, U: { } u }
                        }
                    && Math.Abs(tyre) > 2 * u
                )
                .Select(c =>
                    $"{Sentence(c.Corner.Name())}: the body rose {Signed(c.Body.Have().Mean, style)}; the springs gave {Signed(c.Springs.Have().Mean, style)}, the tyre {Signed(c.Tyre.Have().Mean, style)}."
                )
        );
        words.AddRange(comparison.Notes);
        return words;
    }

    private static string SayRigid(RigidBody rigid, Comparison comparison, LengthStyle style)
    {
        switch (rigid.Verdict)
        {
            case RigidVerdict.Fits:
                return $"The readings fit a stiff body: the largest gap is {LengthText.Show(rigid.Stations.Max(s => Math.Abs(s.ResidualMm)), style)}, no more than the tape allows.";
            case RigidVerdict.Slipped:
                var first = rigid.Stations.First(f => f.Station == rigid.InOrder[0]);
                var read = comparison.Rises.First(r => r.Station == first.Station).Rise.Have().Mean;
                var would = first is { LeftOutMm: { } left, LeftOutUMm: { } u }
                    ? $" By the others it should have risen {Signed(left, style)} ± {LengthText.ShowUp(2 * u, style)}; it reads {Signed(read, style)}, {LengthText.Show(Math.Abs(read - left), style)} {(read > left ? "too much" : "too little")}."
                    : "";
                return $"{Sentence(first.Station)} does not fit: {ResultText.Odds(rigid.AnySlipped)} that a reading slipped, {Shares(rigid)}.{would} Read it again.";
            case RigidVerdict.Doubtful:
                return $"The largest gap is {LengthText.Show(rigid.Stations.Max(s => Math.Abs(s.ResidualMm)), style)}, more than the tape usually leaves, yet a slip is unlikely ({ResultText.Odds(rigid.AnySlipped)}). If one did, {Shares(rigid)}: read {Corners.Said(rigid.InOrder[0])} once more.";
            case RigidVerdict.CannotTell when rigid.Stations.Count < 4:
                return $"The stations of that side do not lie on one line: {LengthText.Show(rigid.Stations.Max(s => Math.Abs(s.ResidualMm)), style)} off it ({ResultText.Odds(rigid.AnySlipped)} that a reading slipped). Three cannot tell which; read the other side too.";
            case RigidVerdict.CannotTell:
                return $"The corners are twisted by {Signed(comparison.Warp.Value ?? 0, style)} ({ResultText.Odds(rigid.AnySlipped)} that a reading slipped). Four corners cannot tell which; read the door handles.";
            default:
                throw new ArgumentOutOfRangeException(nameof(rigid));
        }
    }

    /// <summary>Which reading it was, if one slipped: the stations that may well be it, each with its share.</summary>
    private static string Shares(RigidBody rigid)
    {
        var suspects = rigid
            .Suspects.Select(name => rigid.Stations.First(f => f.Station == name))
            .ToArray();
        return suspects.Length == 1
            ? $"{ResultText.Odds(suspects[0].IfOne)} that it was this one"
            : $"then it was {string.Join(" or ", suspects.Select(f => $"{Corners.Said(f.Station)} ({ResultText.Odds(f.IfOne)})"))}";
    }

    private static string Signed(double mm, LengthStyle style)
    {
        var text = LengthText.Show(Math.Abs(mm), style);
        return text[0] == '0' && !text.Contains('/', StringComparison.Ordinal) ? text
            : mm < 0 ? "−" + text
            : "+" + text;
    }

    private static string Sentence(string station)
    {
        var said = Corners.Said(station);
        return char.ToUpperInvariant(said[0]) + said[1..];
    }
}
