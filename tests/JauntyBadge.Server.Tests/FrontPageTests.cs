using System.Net;
using JauntyBadge.TestHost;

namespace JauntyBadge.Server.Tests;

/// <summary>The page that every address begins with, of a front end made for the test.</summary>
public sealed class FrontPageTests : IDisposable
{
    private const string Page = "<html><head><title>Jaunty Badge</title></head><body></body></html>";

    private readonly string frontEnd = Directory.CreateTempSubdirectory("jaunty-badge-front-").FullName;
    private readonly string practice = Directory.CreateTempSubdirectory("jaunty-badge-").FullName;
    private readonly HostedPractice host;
    private readonly HttpClient http;

    public FrontPageTests()
    {
        Write("index.html", Page);
        Write("script.js", "// a script");
        Write("ahead.json", """[{"address":"/","links":"<link a>"},{"address":"/dogs/*/fit","links":"<link b>"}]""");
        host = new HostedPractice(practice, demo: false, TimeProvider.System) { FrontEnd = frontEnd };
        host.Start();
        http = new HttpClient { BaseAddress = host.ClientOptions.BaseAddress };
    }

    [Theory]
    [InlineData("/", "<link a>")]
    [InlineData("/dogs/3f/fit", "<link b>")]
    [InlineData("/dogs/3f/fit/?at=width", "<link b>")]
    [InlineData("/dogs/3f/fit/try", "")]
    [InlineData("/dogs/fit", "")]
    [InlineData("/van", "")]
    public async Task An_address_names_what_it_will_show(string address, string links)
    {
        using var answer = await http.GetAsync(address);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal("text/html", answer.Content.Headers.ContentType?.MediaType);
        Assert.Equal("no-cache", answer.Headers.CacheControl?.ToString());
        Assert.Equal(Page.Replace("</head>", $"{links}</head>", StringComparison.Ordinal), await answer.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task The_page_alone_comes_where_the_build_names_nothing()
    {
        File.Delete(Path.Combine(frontEnd, "ahead.json"));
        Assert.Equal(Page, await http.GetStringAsync("/dogs/3f/fit"));
        using var head = await http.SendAsync(new HttpRequestMessage(HttpMethod.Head, "/dogs/3f/fit"));
        Assert.Equal(HttpStatusCode.OK, head.StatusCode);
        File.Delete(Path.Combine(frontEnd, "index.html"));
        using var none = await http.GetAsync("/dogs/3f/fit");
        Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
    }

    [Theory]
    [InlineData("GET", "/nothing.js", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/nothing", HttpStatusCode.NotFound)]
    [InlineData("POST", "/van", HttpStatusCode.MethodNotAllowed)]
    [InlineData("GET", "/script.js", HttpStatusCode.OK)]
    public async Task What_is_no_address_of_the_front_end_is_not_answered_with_the_page(string method, string address, HttpStatusCode status)
    {
        using var answer = await http.SendAsync(new HttpRequestMessage(new HttpMethod(method), address));
        Assert.Equal(status, answer.StatusCode);
        Assert.DoesNotContain("<title>", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    public void Dispose()
    {
        http.Dispose();
        host.Dispose();
        Directory.Delete(frontEnd, recursive: true);
        Directory.Delete(practice, recursive: true);
    }

    private void Write(string name, string text) => File.WriteAllText(Path.Combine(frontEnd, name), text);
}
