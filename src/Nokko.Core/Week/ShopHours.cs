using System.Text.Json.Serialization;

namespace Nokko.Core.Week;

/// <summary>When a shop works. Times are minutes after midnight in the shop's own time.</summary>
public sealed record ShopHours
{
    private const int Day = 24 * 60;

    /// <summary>When it opens, 0 to 1439.</summary>
    public int Opens { get; init; } = 8 * 60;

    /// <summary>When its pause begins; as <see cref="PauseTo"/> where it has none.</summary>
    public int PauseFrom { get; init; } = 12 * 60;

    /// <summary>When its pause ends.</summary>
    public int PauseTo { get; init; } = (12 * 60) + 30;

    /// <summary>When it closes, up to 1440.</summary>
    public int Closes { get; init; } = 17 * 60;

    /// <summary>The days of the week on which it works, at least one.</summary>
    public IReadOnlyList<DayOfWeek> Days { get; init; } =
    [
        DayOfWeek.Monday,
        DayOfWeek.Tuesday,
        DayOfWeek.Wednesday,
        DayOfWeek.Thursday,
        DayOfWeek.Friday,
    ];

    /// <summary>Days on which it is closed although it is such a day of the week.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<DateOnly>? Closed { get; init; }

    /// <summary>Most days that can be named as closed.</summary>
    public const int MostClosed = 200;

    /// <summary>Why these are no hours of a shop; null where they are.</summary>
    public string? WhyNot() =>
        Opens < 0 || Closes > Day || Opens >= Closes ? "It opens before it closes."
        : PauseFrom > PauseTo || PauseFrom < Opens || PauseTo > Closes
            ? "The pause lies between opening and closing."
        : Minutes() < 60 ? "At least an hour of work on a day."
        : Days.Count == 0
        || Days.Any(d => !Enum.IsDefined(d))
        || Days.Distinct().Count() < Days.Count
            ? "On which days of the week is work done?"
        : Closed?.Count > MostClosed ? "At most 200 days can be named as closed."
        : null;

    /// <summary>Minutes of work on a day that is worked.</summary>
    public int Minutes() => Closes - Opens - (PauseTo - PauseFrom);

    /// <summary>Whether it works on a day.</summary>
    /// <param name="day">The day.</param>
    public bool Works(DateOnly day) =>
        Days.Contains(day.DayOfWeek) && Closed?.Contains(day) is not true;
}

/// <summary>The hours of a shop as one line of working minutes: nights, pauses and closed days are cut out of it.</summary>
/// <param name="hours">The hours.</param>
/// <param name="origin">The day at whose opening the line begins; what lies before has no minutes of work.</param>
/// <remarks>Source: docs/computation/week.md#working-time.</remarks>
public sealed class WorkClock(ShopHours hours, DateOnly origin)
{
    /// <summary>So many days are looked at: a shop that works on none of them never begins.</summary>
    private const int Horizon = 3_000;

    /// <summary>Working minutes from the beginning to an instant.</summary>
    /// <param name="at">The instant, in the shop's own time.</param>
    public double MinutesTo(DateTime at)
    {
        var day = DateOnly.FromDateTime(at);
        if (day < origin)
        {
            return 0;
        }
        var whole = 0;
        for (var d = origin; d < day; d = d.AddDays(1))
        {
            whole += hours.Works(d) ? hours.Minutes() : 0;
        }
        return whole + (hours.Works(day) ? Worked(at.TimeOfDay.TotalMinutes) : 0);
    }

    /// <summary>The first instant by which so many minutes have been worked: something that ends then.</summary>
    /// <param name="minutes">Working minutes.</param>
    public DateTime EndsAt(double minutes) => At(minutes, false);

    /// <summary>The last instant before the next minute is worked: something that begins then. What would begin at closing begins at the next opening.</summary>
    /// <param name="minutes">Working minutes.</param>
    public DateTime BeginsAt(double minutes) => At(minutes, true);

    private DateTime At(double minutes, bool begins)
    {
        var left = Math.Max(0, minutes);
        var last = origin;
        for (var n = 0; n < Horizon; n++)
        {
            var day = origin.AddDays(n);
            if (!hours.Works(day))
            {
                continue;
            }
            last = day;
            if (left < hours.Minutes() || (!begins && left <= hours.Minutes()))
            {
                var before = hours.PauseFrom - hours.Opens;
                var over = left > before || (begins && left >= before);
                return day.ToDateTime(TimeOnly.MinValue)
                    .AddMinutes(hours.Opens + left + (over ? hours.PauseTo - hours.PauseFrom : 0));
            }
            left -= hours.Minutes();
        }
        return last.ToDateTime(TimeOnly.MinValue).AddMinutes(hours.Closes);
    }

    /// <summary>Minutes worked of a day by a minute of it.</summary>
    private double Worked(double minute) =>
        Math.Clamp(minute, hours.Opens, hours.Closes)
        - hours.Opens
        - (Math.Clamp(minute, hours.PauseFrom, hours.PauseTo) - hours.PauseFrom);
}
