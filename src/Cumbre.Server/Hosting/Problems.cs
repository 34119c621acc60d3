using System.Globalization;
using System.Text.Json;
using Cumbre.Core.Measures;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Hosting;

/// <summary>What is wrong with one field of a request.</summary>
/// <param name="Path">The field, for instance <c>plates[1].size</c>.</param>
/// <param name="Code">A stable word for programs.</param>
/// <param name="Message">For a person: what was given, and what was expected.</param>
public sealed record FieldError(string Path, string Code, string Message);

/// <summary>Thrown by the edge when a request cannot be parsed into the types of the core.</summary>
public sealed class FieldException(params FieldError[] errors) : Exception(errors.Length > 0 ? errors[0].Message : "")
{
    public IReadOnlyList<FieldError> Errors { get; } = errors;
}

/// <summary>
/// Thrown inside a write that meets another state than the caller's: nothing of it is kept, and the answer carries what
/// is stored.
/// </summary>
public sealed class ConflictException(string title, object? current) : Exception(title)
{
    public object? Current { get; } = current;
}

/// <summary>
/// Problem details (RFC 9457) for everything that goes wrong, and the wording of field errors in one place.
/// </summary>
public static class Problems
{
    public const string TooLarge = "That is too large: at most 1 MB.";

    public static IResult NotFound(string what) =>
        Results.Problem(statusCode: 404, title: $"There is no such {what}.", type: "about:blank");

    /// <summary>A stale write: the answer carries the current state, so that the screen can offer both.</summary>
    public static IResult Conflict(string title, object? current) =>
        Results.Problem(
            statusCode: 409,
            title: title,
            type: "urn:cumbre:conflict",
            extensions: new Dictionary<string, object?> { ["current"] = current }
        );

    public static IResult Fields(params FieldError[] errors) => Results.Problem(Details(errors));

    public static FieldException Field(string path, string code, string message) =>
        new(new FieldError(path, code, message));

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
            throw Field(path, "future", $"{Iso(day)} has not come yet; today is {Iso(today)}.");
        if (day < today.AddYears(-100))
            throw Field(path, "past", $"{Iso(day)} is over a hundred years ago.");
        return day;
    }

    /// <exception cref="FieldException">The text is empty or too long.</exception>
    public static string Text(string path, string? text, string what, int maximum)
    {
        var trimmed = text?.Trim() ?? "";
        if (trimmed.Length == 0)
            throw Field(path, "empty", $"Write {what}.");
        if (trimmed.Length > maximum)
            throw Field(path, "tooLong", $"At most {maximum} characters; this has {trimmed.Length}.");
        return trimmed;
    }

    internal static ProblemDetails Details(IReadOnlyList<FieldError> errors) =>
        new()
        {
            Status = 400,
            Title = errors.Count == 1 ? errors[0].Message : $"{errors.Count} fields need a change.",
            Type = "urn:cumbre:fields",
            Extensions = { ["errors"] = errors },
        };

    private static FieldError OfViolation(string path, RuleViolationException e)
    {
        var field =
            path.Length == 0 ? e.Field
            : path.EndsWith('.') ? path + e.Field
            : path;
        var range = $"{Number(e.Minimum)} to {Number(e.Maximum)}";
        return e.Violation switch
        {
            Violation.OutOfRange => new(field, "range", $"{Number(e.Value)} is outside {range}."),
            Violation.NeedsVest => new(field, "needsVest", "Weights of a vest need the vest itself, in the same unit."),
            Violation.DuplicatePlate => new(field, "duplicate", "Two rows have the same size: put the count in one."),
            Violation.TooMany => new(field, "tooMany", $"At most {Number(e.Maximum)}; there are {Number(e.Value)}."),
            Violation.NoNumber => new(field, "number", "Enter a number."),
            Violation.NoSuchWord => new(field, "unknown", "Choose one from the list."),
            _ => new(field, "invalid", "This does not fit together."),
        };
    }

    private static string Number(decimal? number) => number?.ToString("0.##", CultureInfo.InvariantCulture) ?? "?";

    private static string Iso(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}

/// <summary>Turns exceptions into problem details; a stack trace never leaves the server.</summary>
public sealed class ProblemHandler(IProblemDetailsService problems, ILogger<ProblemHandler> log) : IExceptionHandler
{
    /// <summary>Codes of SQLite.</summary>
    private const int Busy = 5,
        Locked = 6;

    public async ValueTask<bool> TryHandleAsync(
        HttpContext httpContext,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        var details = exception switch
        {
            FieldException e => Problems.Details(e.Errors),
            ConflictException e => new ProblemDetails
            {
                Status = 409,
                Title = e.Message,
                Type = "urn:cumbre:conflict",
                Extensions = { ["current"] = e.Current },
            },
            // Another process holds the file: nothing is lost, and it is tried again.
            SqliteException { SqliteErrorCode: Busy or Locked } => new ProblemDetails
            {
                Status = 503,
                Title = "The club’s file is busy. What you typed is still here; try again in a moment.",
            },
            BadHttpRequestException { InnerException: JsonException json } => Problems.Details([OfJson(json)]),
            BadHttpRequestException { StatusCode: 413 } => new ProblemDetails
            {
                Status = 413,
                Title = Problems.TooLarge,
            },
            BadHttpRequestException e => new ProblemDetails
            {
                Status = e.StatusCode,
                Title = "This request cannot be read.",
            },
            _ => null,
        };
        if (details is null)
        {
            log.LogError(exception, "Unhandled at {Path}", httpContext.Request.Path);
            details = new ProblemDetails
            {
                Status = 500,
                Title = "Something went wrong on the server. What you typed is still here; try again.",
            };
        }

        if (details.Status == 503)
            httpContext.Response.Headers.RetryAfter = "2";
        httpContext.Response.StatusCode = details.Status ?? 500;
        return await problems.TryWriteAsync(new() { HttpContext = httpContext, ProblemDetails = details });
    }

    private static FieldError OfJson(JsonException e)
    {
        var path = (e.Path ?? "").TrimStart('$').TrimStart('.');
        return
            e.BytePositionInLine is not null
            && (
                path.Length == 0
                || e.InnerException is not null && e.InnerException.GetType().Name == "JsonReaderException"
            )
            ? new(path, "json", $"This is no valid JSON near line {e.LineNumber + 1}, byte {e.BytePositionInLine + 1}.")
            : new(
                path,
                "type",
                $"{(path.Length == 0 ? "The body" : path)} is missing or of the wrong kind; the API document says what it takes."
            );
    }
}
