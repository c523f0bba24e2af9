using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>Says where both hubs of a side are on a photograph, so that another one can be laid over it.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The photograph.</param>
/// <param name="Pins">The front hub's x and y, then the rear hub's, as <see cref="Attachment.Pins"/>.</param>
public sealed record PinPhotograph(Guid CommandId, Guid Id, IReadOnlyList<double> Pins)
    : JobCommand(CommandId)
{
    /// <summary>Least that the hubs lie apart, as a share of the picture's width: nearer, a slip of the finger turns it.</summary>
    public const double LeastApart = 0.1;

    /// <inheritdoc/>
    public override string Does() => "hubs marked on a photograph";

    /// <summary>Why places are no hubs; null where they can be.</summary>
    /// <param name="pins">The places.</param>
    public static string? WhyNot(IReadOnlyList<double>? pins) =>
        pins is not { Count: 4 } || pins.Any(p => p is not (>= 0 and <= 1))
            ? "Both hubs lie on the picture: the front one, then the rear one."
        : Math.Abs(pins[0] - pins[2]) < LeastApart ? "The hubs lie farther apart than that."
        : null;

    internal override void Decide(JobWork work)
    {
        var photograph =
            work.Document.Attachments.FirstOrDefault(a => a.Id == Id)
            ?? throw Refuse.Gone("This photograph is not there any more.");
        if (WhyNot(Pins) is { } why)
        {
            throw Refuse.Value("pins", why);
        }
        work.Replace(photograph, photograph with { Pins = Pins });
    }
}
