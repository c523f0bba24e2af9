namespace Nokko.Core.Practice;

/// <summary>A look at a practice vehicle, or what puts right what it found.</summary>
/// <param name="Id">Key, made by the client; repeating it changes nothing.</param>
/// <param name="At">Where was looked.</param>
/// <param name="Mends">Whether what the look found was put right.</param>
/// <param name="Instant">When.</param>
public sealed record PracticeAct(Guid Id, LookAt At, bool Mends, DateTimeOffset Instant);
