using Cumbre.Server.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Logging.Abstractions;

namespace Cumbre.Server.Tests;

/// <summary>What the file says when it cannot, by SQLite's result codes (sqlite.org/rescode.html, from memory).</summary>
public sealed class ProblemHandlerTests
{
    [Theory]
    [InlineData(5, 503)]
    [InlineData(6, 503)]
    [InlineData(8, 503)]
    [InlineData(10, 503)]
    [InlineData(14, 503)]
    [InlineData(13, 507)]
    [InlineData(1, 500)]
    [InlineData(19, 500)]
    public async Task A_file_that_does_not_answer_is_told_and_tried_again(int code, int status)
    {
        var http = new DefaultHttpContext();
        var handler = new ProblemHandler(new Nowhere(), NullLogger<ProblemHandler>.Instance);
        Assert.True(
            await handler.TryHandleAsync(http, new SqliteException("x", code), TestContext.Current.CancellationToken)
        );
        Assert.Equal(
            (status, status == 503 ? "2" : ""),
            (http.Response.StatusCode, http.Response.Headers.RetryAfter.ToString())
        );
    }

    private sealed class Nowhere : IProblemDetailsService
    {
        public ValueTask WriteAsync(ProblemDetailsContext context) => ValueTask.CompletedTask;

        public ValueTask<bool> TryWriteAsync(ProblemDetailsContext context) => ValueTask.FromResult(true);
    }
}
