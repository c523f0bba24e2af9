namespace Nokko.Storage;

/// <summary>Nokko cannot start so; the message says to whoever starts it what to do.</summary>
public sealed class CannotStartException(string message, Exception? inner = null)
    : Exception(message, inner);
