using System.Text.Json;
using Cumbre.Core.Measures;
using Cumbre.Storage.Backups;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Hosting;

/// <summary>What is wrong with one field of a request.</summary>
/// <param name="Path">The field, for instance <c>plates[1].size</c>.</param>
/// <param name="Message">What was given, and what was expected.</param>
public sealed record FieldError(string Path, Message Message);

/// <summary>Thrown by the edge when a request cannot be parsed into the types of the core.</summary>
public sealed class FieldException(params FieldError[] errors)
    : Exception(string.Join(", ", errors.Select(e => $"{e.Path}: {e.Message.Code}")))
{
    public IReadOnlyList<FieldError> Errors { get; } = errors;
}

/// <summary>
/// Thrown inside a write that meets another state than the caller's: nothing of it is kept, and the answer carries what
/// is stored.
/// </summary>
public sealed class ConflictException(Message message, object? current) : Exception(message.Code)
{
    public Message Said { get; } = message;

    public object? Current { get; } = current;
}

/// <summary>
/// Problem details (RFC 9457) for everything that goes wrong, and the wording of field errors in one place.
/// </summary>
public static class Problems
{
    public static IResult NotFound(Message message) => Results.Problem(Of(404, message));

    /// <summary>A stale write: the answer carries the current state, so that the screen can offer both.</summary>
    public static IResult Conflict(Message message, object? current) => Results.Problem(Stale(message, current));

    public static IResult Fields(params FieldError[] errors) => Results.Problem(Details(errors));

    public static FieldException Field(string path, Message message) => new(new FieldError(path, message));

    /// <summary>Problem details whose title names the status; what a person reads is the message.</summary>
    public static ProblemDetails Of(int status, Message message) =>
        new()
        {
            Status = status,
            Title = ReasonPhrases.GetReasonPhrase(status),
            Extensions = { ["message"] = message },
        };

    /// <summary>
    /// Runs a constructor of the core; its refusal becomes an error at <paramref name="path"/> plus the guarded field.
    /// </summary>
    /// <exception cref="FieldException">The core refused a value.</exception>
    public static T At<T>(string path, Func<T> make)
    {
        try
        {
            return make();
        }
        catch (RuleViolationException e)
        {
            throw new FieldException(OfViolation(path, e));
        }
    }

    /// <summary>The refusal of a constructor, at the guarded field.</summary>
    public static FieldException OfRule(RuleViolationException refusal) => new(OfViolation("", refusal));

    /// <summary>A date that has not come yet cannot have been measured.</summary>
    /// <exception cref="FieldException">The day is after today, or over 100 years ago.</exception>
    public static DateOnly NotInFuture(string path, DateOnly day, DateOnly today)
    {
        if (day > today)
            throw Field(path, Words.DayInFuture(day, today));
        if (day < today.AddYears(-100))
            throw Field(path, Words.DayTooOld(day));
        return day;
    }

    /// <param name="path">The field.</param>
    /// <param name="text">As it was sent.</param>
    /// <param name="ask">What is said when it is empty.</param>
    /// <param name="maximum">Characters at most.</param>
    /// <returns>The text as it is seen (<see cref="PlainText"/>).</returns>
    /// <exception cref="FieldException">The text is empty, too long, or holds what controls a machine.</exception>
    public static string Text(string path, string? text, Message ask, int maximum)
    {
        var trimmed = PlainText.Seen(text ?? "");
        if (trimmed.Length == 0)
            throw Field(path, ask);
        if (PlainText.Controls(trimmed))
            throw Field(path, Words.TextControls);
        if (trimmed.Length > maximum)
            throw Field(path, Words.TextTooLong(maximum, trimmed.Length));
        return trimmed;
    }

    internal static ProblemDetails Details(IReadOnlyList<FieldError> errors)
    {
        var details = Of(400, errors.Count == 1 ? errors[0].Message : Words.FieldsToChange(errors.Count));
        details.Type = "urn:cumbre:fields";
        details.Extensions["errors"] = errors;
        return details;
    }

    internal static ProblemDetails Stale(Message message, object? current)
    {
        var details = Of(409, message);
        details.Type = "urn:cumbre:conflict";
        details.Extensions["current"] = current;
        return details;
    }

    private static FieldError OfViolation(string path, RuleViolationException e)
    {
        var field =
            path.Length == 0 ? e.Field
            : path.EndsWith('.') ? path + e.Field
            : path;
        return new(
            field,
            e.Violation switch
            {
                Violation.OutOfRange => Words.OutOfRange(Number(e.Value), Number(e.Minimum), Number(e.Maximum)),
                Violation.NeedsVest => Words.VestMissing,
                Violation.DuplicatePlate => Words.PlateTwice,
                Violation.TooMany => Words.TooMany(Number(e.Maximum), Number(e.Value)),
                Violation.NoNumber => Words.NumberMissing,
                Violation.NoSuchWord => Words.WordUnknown,
                _ => Words.Unfit,
            }
        );
    }

    private static decimal Number(decimal? number) =>
        Math.Round(number ?? throw new InvalidOperationException("A range lacks a figure."), 2);
}

/// <summary>Turns exceptions into problem details; a stack trace never leaves the server.</summary>
public sealed class ProblemHandler(IProblemDetailsService problems, ILogger<ProblemHandler> log) : IExceptionHandler
{
    /// <summary>Codes of SQLite, and one of the system.</summary>
    private const int Busy = 5,
        Locked = 6,
        Full = 13,
        NoSpace = 28,
        ReadOnly = 8,
        DiskError = 10,
        CannotOpen = 14,
        ForeignKey = 787,
        PrimaryKey = 1555,
        Unique = 2067;

    public async ValueTask<bool> TryHandleAsync(
        HttpContext httpContext,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        var details = exception switch
        {
            FieldException e => Problems.Details(e.Errors),
            ConflictException e => Problems.Stale(e.Said, e.Current),
            // Another process holds the file: nothing is lost, and it is tried again.
            SqliteException { SqliteErrorCode: Busy or Locked } => Problems.Of(503, Words.FileBusy),
            SqliteException { SqliteErrorCode: Full } or IOException { HResult: NoSpace } => Problems.Of(
                507,
                Words.DiskFull
            ),
            SqliteException { SqliteErrorCode: DiskError or ReadOnly or CannotOpen } => Problems.Of(
                503,
                Words.DiskFault
            ),
            BackupException e => Problems.Of(507, Words.BackupFailed(e.Message)),
            // What is written about is not there, or its id is somebody else's: the file itself says so last.
            SqliteException { SqliteExtendedErrorCode: ForeignKey } => Problems.Of(404, Words.NoSuchThing),
            SqliteException { SqliteExtendedErrorCode: PrimaryKey or Unique } => Problems.Stale(Words.IdTaken, null),
            BadHttpRequestException { InnerException: JsonException json } => Problems.Details([OfJson(json)]),
            BadHttpRequestException { StatusCode: 413 } => Problems.Of(413, Words.TooLarge),
            BadHttpRequestException e => Problems.Of(e.StatusCode, Words.RequestUnreadable),
            _ => null,
        };
        if (exception is SqliteException { SqliteErrorCode: DiskError or ReadOnly or CannotOpen })
            log.LogError(exception, "The file does not answer at {Route}", ServerLog.RouteOf(httpContext));
        if (details is null)
        {
            log.LogError(exception, "Unhandled at {Route}", ServerLog.RouteOf(httpContext));
            details = Problems.Of(500, Words.ServerFault);
        }

        if (details.Status == 503)
            httpContext.Response.Headers.RetryAfter = "2";
        httpContext.Response.StatusCode = details.Status ?? 500;
        return await problems.TryWriteAsync(new() { HttpContext = httpContext, ProblemDetails = details });
    }

    private static FieldError OfJson(JsonException e)
    {
        var path = (e.Path ?? "").TrimStart('$').TrimStart('.');
        var unreadable =
            e.BytePositionInLine is not null
            && (
                path.Length == 0
                || e.InnerException is not null && e.InnerException.GetType().Name == "JsonReaderException"
            );
        if (e is DayRangeException || e.InnerException is DayRangeException)
            return new(path, Words.DayRange($"{Days.FirstYear}", $"{Days.LastYear}"));
        return new(
            path,
            unreadable ? Words.JsonUnreadable((e.LineNumber ?? 0) + 1, (e.BytePositionInLine ?? 0) + 1)
                : path.Length == 0 ? Words.BodyMissing
                : Words.FieldMissing(path)
        );
    }
}
