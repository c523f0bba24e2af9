using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>A stance in plain sentences.</summary>
public static class StanceWords
{
    /// <summary>Rake, lean by axle with the low side named, and warp, each with its ± (k = 2).</summary>
    public static IReadOnlyList<string> Say(WalkRoundStance stance, LengthStyle style)
    {
        var words = new List<string> { SayRake(stance.Rake, stance.Datum, style) };
        Lean(stance.LeanFront, Axle.Front);
        Lean(stance.LeanRear, Axle.Rear);
        words.AddRange(stance.AgainstEye.Select(AgainstEye));
        if (stance.Warp is { Value: { } warp, U: { } u } && Math.Abs(warp) > 2 * u)
        {
            words.Add(
                $"The four corners are twisted by {LengthText.Show(Math.Abs(warp), style)}: a tape slip, a low pad or a spring."
            );
        }
        if (SayBody(stance) is { } body)
        {
            words.Add(body);
        }
        return words;

        void Lean(Result lean, Axle axle)
        {
            if (lean is { Value: { } value, U: { } u })
            {
                words.Add(
                    Math.Abs(value) <= 2 * u
                        ? $"No lean at the {axle.Said()} that this tape can show ({LengthText.Show(Math.Abs(value), style)} ± {LengthText.ShowUp(2 * u, style)})."
                        : $"{(value > 0 ? "Right" : "Left")} side low at the {axle.Said()} by {LengthText.Show(Math.Abs(value), style)} ± {LengthText.ShowUp(2 * u, style)}."
                );
            }
        }
    }

    /// <summary>What to do where eye and tape disagree.</summary>
    public static string AgainstEye(Axle axle) =>
        $"At the {axle.Said()} the eye sees another lean than the tape: read both lips again, hooked at the same edge, or look again from ahead. Nothing is judged before that is settled.";

    /// <summary>Where the sill and the lips tell different stories; null where they agree, or one of them is not known.</summary>
    private static string? SayBody(WalkRoundStance stance)
    {
        if (
            stance.SillAngle is not { Value: { } sill, U: { } us }
            || stance.BodyAngle is not { Value: { } lips, U: { } ul }
        )
        {
            return null;
        }
        var (body, byLips) = (Angle(sill, us), Angle(lips, ul));
        var apart = Math.Abs(sill - lips) > 2 * Math.Sqrt((us * us) + (ul * ul));
        return (Math.Abs(lips) <= 2 * ul, Math.Abs(sill) <= 2 * us, apart) switch
        {
            (true, false, _) => $"Looks level by the lips, is not: the sill stands {body}.",
            (false, true, _) =>
                $"By the lips it stands {byLips}, but the sill is level: the wheel openings are cut differently.",
            (_, _, true) =>
                $"The sill stands {body}, the lips say {byLips}: judge the body by the sill.",
            _ => null,
        };

        static string Angle(double degrees, double u) =>
            string.Create(
                System.Globalization.CultureInfo.InvariantCulture,
                $"{Math.Abs(degrees):0.0}° ± {Math.Ceiling(20 * u) / 10:0.0}° {(degrees > 0 ? "nose down" : "nose high")}"
            );
    }

    /// <summary>The rake as a sentence.</summary>
    public static string SayRake(Result rake, Datum? datum, LengthStyle style)
    {
        if (rake.Value is not { } value || rake.U is not { } u)
        {
            return $"Rake not known yet. {rake.Cannot}";
        }
        var amount =
            $"{LengthText.Show(Math.Abs(value), style)} ± {LengthText.ShowUp(2 * u, style)}";
        var from = datum is { } d ? $", by {d.ToString().ToLowerInvariant()}" : "";
        return Math.Abs(value) <= 2 * u ? $"Level within what the tape can show ({amount}{from})."
            : value > 0 ? $"Nose down {amount}{from}."
            : $"Nose high {amount}{from}.";
    }
}
