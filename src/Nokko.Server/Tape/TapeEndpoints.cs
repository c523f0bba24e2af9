using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Nokko.Server.People;

namespace Nokko.Server.Tape;

/// <summary>Reads a length while it is typed; stores nothing.</summary>
internal static class TapeEndpoints
{
    /// <summary>What was read: a length, or a question, or a reason.</summary>
    /// <param name="Mm">The length.</param>
    /// <param name="Shown">The length as fraction, decimal and millimetres.</param>
    internal sealed record Echo(
        double? Mm,
        string? Shown,
        string? Question,
        string? Refused,
        IReadOnlyList<TapeChoice> Choices
    );

    public static void Map(RouteGroupBuilder api) => api.MapGet("/tape", Read);

    private static Ok<Echo> Read(
        string text,
        string? answers,
        int? denominator,
        string? station,
        SignedIn me
    )
    {
        var style = denominator switch
        {
            1 => LengthStyle.Millimetres,
            8 or 16 or 32 => new LengthStyle(Unit.Inch, denominator.Value),
            _ => me.Style,
        };
        string? elsewhere = null;
        var called = station is null ? text : SpokenPlace.Without(text, station, out elsewhere);
        if (elsewhere is not null)
        {
            return TypedResults.Ok(new Echo(null, null, null, elsewhere, []));
        }
        var fraction = style.Unit == Unit.Inch ? style : LengthStyle.Inches;
        var read = TapeReader.Read(
            called,
            new TapeField(style.Unit, style.DivisionMm, []),
            answers?.Split(',') ?? []
        );
        return TypedResults.Ok(
            read switch
            {
                TapeReading.Understood u => new Echo(
                    u.Mm,
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{LengthText.Show(u.Mm, fraction)} · {u.Mm / 25.4:0.000} in · {u.Mm:0.#} mm"
                    ),
                    null,
                    null,
                    []
                ),
                TapeReading.Asked a => new Echo(null, null, a.Question, null, a.Choices),
                TapeReading.Refused r => new Echo(null, null, null, r.Reason, []),
                _ => throw new InvalidOperationException(
                    "A reading is understood, asked about or refused."
                ),
            }
        );
    }
}
