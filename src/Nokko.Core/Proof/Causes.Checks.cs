namespace Nokko.Core.Proof;

/// <content>What to check next: what each check can tell, and what it saves.</content>
public sealed partial record Causes
{
    /// <summary>Where a check is made: one roll settles both axles.</summary>
    private static (CauseKind Kind, string Where) CheckOf(CauseKind kind, string where) =>
        (kind, kind == CauseKind.NotSettled ? "vehicle" : where);

    /// <summary>Chance that a check finds its cause, should the truth be another or the same.</summary>
    private static double Finds((CauseKind Kind, string Where) check, Hypothesis truth, Miss miss)
    {
        var rule = CauseRule.Of(check.Kind);
        if (CheckOf(truth.Kind, truth.Where) != check)
        {
            return rule.Cries;
        }
        if (check.Kind != CauseKind.Slip || Vehicles.Corners.Named(check.Where) is not { } corner)
        {
            return rule.Sees;
        }
        // To read again finds what slipped now; what slipped before the work stays where it is.
        var (now, before) = (SlipNow(miss, corner), SlipBefore(miss, corner));
        return ((rule.Sees * now) + (rule.Cries * before)) / (now + before);
    }

    /// <summary>Every check, made or not, the one that tells most a minute first.</summary>
    private static CauseCheck[] ChecksOf(Hypothesis[] all, double[] chances, Miss miss)
    {
        var made = Outcomes(miss);
        return
        [
            .. all.Where(h => CauseRule.Of(h.Kind).HasCheck)
                .Select(h => CheckOf(h.Kind, h.Where))
                .Distinct()
                .Select(check =>
                {
                    bool? was = made.TryGetValue(check, out var it) ? it : null;
                    var (p, yes, no) = After(check, all, chances, miss);
                    var rule = CauseRule.Of(check.Kind);
                    var waits = check.Kind == CauseKind.NotSettled && miss.Settled;
                    return new CauseCheck(
                        check.Kind,
                        check.Where,
                        CauseWords.CheckOf(check.Kind, check.Where, miss.Settled),
                        rule.ByReading,
                        waits ? CauseRule.ComesBackMinutes : rule.Minutes,
                        was is null
                            ? Math.Max(
                                0,
                                Entropy(chances) - (p * Entropy(yes)) - ((1 - p) * Entropy(no))
                            )
                            : 0,
                        Mine(check, all, yes),
                        Mine(check, all, no),
                        was
                    );
                })
                .OrderByDescending(c => c.BitsAMinute)
                .ThenBy(c => c.Kind)
                .ThenBy(c => c.Where, StringComparer.Ordinal),
        ];
    }

    /// <summary>Chance that a check finds its cause, and the chances after either outcome.</summary>
    private static (double Found, double[] Yes, double[] No) After(
        (CauseKind, string) check,
        Hypothesis[] all,
        double[] chances,
        Miss miss
    )
    {
        double[] finds = [.. all.Select(h => Finds(check, h, miss))];
        var p = chances.Select((c, i) => c * finds[i]).Sum();
        return (
            p,
            [.. chances.Select((c, i) => p > 0 ? c * finds[i] / p : 0)],
            [.. chances.Select((c, i) => p < 1 ? c * (1 - finds[i]) / (1 - p) : 0)]
        );
    }

    private static double Mine((CauseKind, string) check, Hypothesis[] all, double[] chances) =>
        all.Select((h, i) => CheckOf(h.Kind, h.Where) == check ? chances[i] : 0).Sum();

    private static double Entropy(double[] chances) =>
        -chances.Where(c => c > 0).Sum(c => c * Math.Log2(c));

    /// <summary>What was found of each check: on these readings as it was said; what was found on earlier ones was put right since.</summary>
    private static Dictionary<(CauseKind, string), bool> Outcomes(Miss miss) =>
        miss
            .Checked.GroupBy(c => CheckOf(c.Kind, c.Where))
            .ToDictionary(g => g.Key, g => g.Last() is { WasIt: true, OnThese: true });

    /// <summary>Hours until it sits right, by a second pass at once: what is in vain is done once more.</summary>
    private static double SecondPassHours(Hypothesis[] all, double[] chances, Miss miss) =>
        miss.PassHours
        * (1 + chances.Select((c, i) => c * (1 - CauseRule.Of(all[i].Kind).Stays)).Sum());

    /// <summary>Hours until it sits right by checking in this order, as long as that is less than a second pass at once.</summary>
    private static double HoursByChecking(Hypothesis[] all, double[] chances, Miss miss)
    {
        var atOnce = SecondPassHours(all, chances, miss);
        if (ChecksOf(all, chances, miss).FirstOrDefault(c => c.Bits > 0) is not { } next)
        {
            return atOnce;
        }
        var (found, yes, no) = After((next.Kind, next.Where), all, chances, miss);
        var rule = CauseRule.Of(next.Kind);
        var sure = Mine((next.Kind, next.Where), all, yes);
        // What was found is put right; what stays is answered by a pass that counts on it; a check that cried wolf leaves the pass to do.
        var then =
            (sure * (rule.MendHours + (rule.Stays * miss.PassHours)))
            + ((1 - sure) * (rule.MendHours + miss.PassHours));
        var on = miss with { Checked = [.. miss.Checked, new(next.Kind, next.Where, false, true)] };
        return Math.Min(
            atOnce,
            (next.Minutes / 60.0) + (found * then) + ((1 - found) * HoursByChecking(all, no, on))
        );
    }
}
