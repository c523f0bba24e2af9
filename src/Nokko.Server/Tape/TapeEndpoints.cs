using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Measuring;
using Nokko.Core.Units;
using Nokko.Server.Accounts;

namespace Nokko.Server.Tape;

/// <summary>Reads a length while it is typed; stores nothing.</summary>
internal static class TapeEndpoints
{
    /// <summary>What was read: a length, or a question, or a reason.</summary>
    internal sealed record Echo(
        double? Mm,
        string? Shown,
        string? Question,
        string? Refused,
        IReadOnlyList<TapeChoice> Choices
    );

    public static void Map(RouteGroupBuilder api) => api.MapGet("/tape", Read);

    private static Ok<Echo> Read(string text, string? answers, SignedIn me)
    {
        var style = me.Style;
        var read = TapeReader.Read(
            text,
            new TapeField(style.Unit, style.DivisionMm, []),
            answers?.Split(',') ?? []
        );
        return TypedResults.Ok(
            read switch
            {
                TapeReading.Understood u => new Echo(
                    u.Mm,
                    $"{LengthText.Show(u.Mm, LengthStyle.Inches)} · {LengthText.Show(u.Mm, LengthStyle.Millimetres)}",
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
