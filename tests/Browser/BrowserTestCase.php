<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\NoSuchElementException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\JsonWireCompat;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Illuminate\Filesystem\Filesystem;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Symfony\Component\Finder\Finder;
use Tests\Support\FreePort;
use Tests\Support\OnPostgres;

/** The real page in headless Chromium, against a server and a worker of its own with an empty database. */
abstract class BrowserTestCase extends TestCase
{
    protected static int $port;

    protected static RemoteWebDriver $browser;

    protected static string $folder;

    /** The first of the ports of stand-in machines, where a test starts them. */
    protected static int $machines = 0;

    /** The database that has it, on PostgreSQL. */
    private const DEMO = 'neat-edge-demo';

    /** Where the demo lies that was made for all. */
    private static ?string $kept = null;

    /** @var array<string, string> of all that belongs to the shop */
    private static array $environment = [];

    /** @var array<string, resource> by what it is for */
    private static array $processes = [];

    public static function setUpBeforeClass(): void
    {
        $root = dirname(__DIR__, 2);
        self::$port = FreePort::any();
        $driver = FreePort::any();
        self::$kept ??= getenv('NEAT_EDGE_TESTS_DEMO') ?: sys_get_temp_dir().'/neat-edge-demo-'.getmypid();
        // The demo's machines are at the ports that it was made with.
        self::$machines = (int) @file_get_contents(self::$kept.'/machines') ?: random_int(20_000, 30_000);
        self::$folder = sys_get_temp_dir().'/neat-edge-browser-'.bin2hex(random_bytes(4));
        mkdir(self::$folder.'/downloads', recursive: true);
        touch(self::$folder.'/test.sqlite');
        $environment = [
            ...getenv(),
            'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)),
            'DB_DATABASE' => self::$folder.'/test.sqlite', 'QUEUE_CONNECTION' => 'database', 'CACHE_STORE' => 'database', 'LOG_CHANNEL' => 'errorlog',
            'PHP_CLI_SERVER_WORKERS' => '3', 'NEAT_EDGE_PAGE_TOKEN' => 'on', 'NEAT_EDGE_PREPARE_IN' => 'child',
            'NEAT_EDGE_MACHINES_PORT' => (string) self::$machines, 'NEAT_EDGE_CONTENTS' => self::$folder.'/contents',
            ...(OnPostgres::isAsked() ? OnPostgres::environment(basename(self::$folder)) : []),
            // Settings and routes are read once, as in a shop.
            'APP_CONFIG_CACHE' => self::$folder.'/config.php', 'APP_ROUTES_CACHE' => self::$folder.'/routes.php',
        ];
        self::$environment = $environment;
        $php = [PHP_BINARY, '-d', 'memory_limit=1G', '-d', 'upload_max_filesize=24M', '-d', 'post_max_size=240M', '-d', 'max_file_uploads=1001', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=64M', '-d', 'opcache.jit=tracing'];
        self::demo($php, $environment, $root);
        self::wait(self::launch([...$php, 'artisan', 'config:cache'], $environment, $root), 'config:cache');
        self::$processes = [
            'worker' => self::launch([...$php, 'artisan', 'queue:work', '--queue=quick,page,later,batches', '--sleep=0.1', '--timeout=0'], $environment, $root),
            'machines' => self::launch([...$php, 'artisan', 'queue:work', '--queue=machines', '--sleep=0.1', '--timeout=0'], $environment, $root),
            'server' => self::launch([...$php, '-S', '127.0.0.1:'.self::$port, '-t', 'public', 'server.php'], $environment, $root),
            'driver' => self::launch(['chromedriver', '--port='.$driver], $environment, $root),
        ];
        self::listen(self::$port);
        self::listen($driver);
        $options = new ChromeOptions;
        $options->addArguments(['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-dev-shm-usage', '--window-size=1280,943', '--user-data-dir='.self::$folder.'/profile']);
        $options->setExperimentalOption('prefs', ['download.default_directory' => self::$folder.'/downloads', 'download.prompt_for_download' => false]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        self::$browser = RemoteWebDriver::create('http://127.0.0.1:'.$driver, $capabilities, 60_000, 60_000);
        // How many questions of the page are on their way: see still().
        self::$browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', ['cmd' => 'Page.addScriptToEvaluateOnNewDocument', 'params' => [
            'source' => 'window.asking = 0; const ask = window.fetch; window.fetch = (...of) => { window.asking++; return ask(...of).finally(() => setTimeout(() => window.asking--, 0)) }; const still = new CSSStyleSheet; still.replaceSync("*, ::before, ::after { transition: none !important; animation: none !important }"); document.adoptedStyleSheets = [still]',
        ]]);
    }

    /**
     * Puts the demo into the shop. It is made once for all tests, in the folder NEAT_EDGE_TESTS_DEMO also for those of other processes, and copied: preparing it
     * takes longer than many a test.
     *
     * @param  list<string>  $php
     * @param  array<string, string>  $environment
     */
    private static function demo(array $php, array $environment, string $root): void
    {
        $files = new Filesystem;
        $database = basename(self::$folder);
        if (OnPostgres::isAsked()) {
            OnPostgres::create($database, is_dir((string) self::$kept) ? self::DEMO : null);
        }
        if (! is_dir((string) self::$kept)) {
            foreach ([['migrate', '--force'], ['db:seed', '--force']] as $command) {
                self::wait(self::launch([...$php, 'artisan', ...$command], $environment, $root), implode(' ', $command));
            }
            // As somebody left it who had looked at all of it: what is counted or drawn on the first look is not to be waited for in each test.
            self::wait(self::launch([...$php, 'tests/Support/look-at-all.php'], $environment, $root), 'the demo to be looked at');
            self::wait(self::launch([...$php, 'artisan', 'route:cache'], $environment, $root), 'route:cache');
            if (OnPostgres::isAsked() && ! OnPostgres::has(self::DEMO)) {
                OnPostgres::create(self::DEMO, $database);
            }
            $part = self::$kept.'.'.getmypid();
            $files->ensureDirectoryExists($part);
            $files->put("{$part}/machines", (string) self::$machines);
            foreach (Finder::create()->files()->in(self::$folder)->path('/^(test\.sqlite(-wal)?$|routes\.php$|contents\/)/') as $file) {
                $files->ensureDirectoryExists(dirname("{$part}/{$file->getRelativePathname()}"));
                copy($file->getPathname(), "{$part}/{$file->getRelativePathname()}");
            }
            // Of two that made it at once one is kept.
            @rename($part, (string) self::$kept) || $files->deleteDirectory($part);
            if (getenv('NEAT_EDGE_TESTS_DEMO') === false) {
                register_shutdown_function(static fn () => $files->deleteDirectory((string) self::$kept));
            }
        } else {
            $files->copyDirectory((string) self::$kept, self::$folder);
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$browser->quit();
        foreach (self::$processes as $process) {
            $pid = proc_get_status($process)['pid'];
            // The server's workers are its children.
            exec("pkill -TERM -P {$pid}");
            proc_terminate($process);
            proc_close($process);
        }
        if (OnPostgres::isAsked()) {
            OnPostgres::drop(basename(self::$folder));
        }
        exec('rm -rf '.escapeshellarg(self::$folder));
    }

    /** Waits until the page stands still: nothing is asked for, and nothing moves, for a few pictures. @param  float  $seconds  at the most */
    protected static function still(float $seconds = 5.0): void
    {
        self::$browser->executeAsyncScript('
            const [most, done] = arguments, end = performance.now() + most;
            let rests = 0;
            const look = () => {
                const moves = document.getAnimations().some((one) => one.playState === "running" && one.effect?.getComputedTiming().endTime !== Infinity);
                rests = (window.asking ?? 0) > 0 || moves || document.readyState !== "complete" ? 0 : rests + 1;
                if (rests >= 5 || performance.now() > end) done(); else setTimeout(look, 50);
            };
            look();
        ', [1000 * $seconds]);
    }

    protected function visit(string $path): void
    {
        self::$browser->get('http://127.0.0.1:'.self::$port.$path);
    }

    /** The element, once it is there and shown. */
    protected function see(string $selector, float $seconds = 30.0): RemoteWebElement
    {
        return self::until(static fn (): ?RemoteWebElement => self::shown($selector), "{$selector} to be seen", $seconds);
    }

    /** The first that a selector finds, where it is shown: asked of the page in one, for the driver's own way of looking costs four times as much. */
    private static function shown(string $selector): ?RemoteWebElement
    {
        $one = self::$browser->executeScript('
            const one = document.querySelector(arguments[0]);
            const takesRoom = (some) => [...some.getClientRects()].some((box) => box.width > 0 && box.height > 0);
            const seen = one && one.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && (takesRoom(one) || one instanceof SVGElement || [...one.children].some(takesRoom));
            return seen ? one : null;
        ', [$selector]);

        return is_array($one) ? new RemoteWebElement(new RemoteExecuteMethod(self::$browser), JsonWireCompat::getElement($one), true) : null;
    }

    protected function press(string $selector): void
    {
        // What was drawn anew between the look and the press was not pressed.
        self::until(static function () use ($selector): ?bool {
            $element = self::shown($selector);
            // A press on what waits for something else is lost, without a word.
            if ($element === null || ! $element->isEnabled()) {
                return null;
            }
            // Half over the edge of what it scrolls in, its middle may lie under something else.
            self::$browser->executeScript('arguments[0].scrollIntoView({ block: "nearest" }); const r = arguments[0].getBoundingClientRect(), on = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2); if (on && !arguments[0].contains(on)) arguments[0].scrollIntoView({ block: "center" })', [$element]);
            $element->click();

            return true;
        }, "{$selector} to be pressed", 30.0);
    }

    /** Opens what there is to choose from, and presses one of it: once more, where it was drawn anew or shut meanwhile. */
    protected function pick(string $selector, string $value): void
    {
        $option = WebDriverBy::cssSelector(sprintf('.el-select-dropdown [data-option="%s"]', $value));
        self::until(static function () use ($selector, $option): ?bool {
            $open = self::$browser->findElements($option);
            if ($open === []) {
                self::$browser->findElement(WebDriverBy::cssSelector("{$selector} .el-select__wrapper"))->click();
                usleep(400_000);
                $open = self::$browser->findElements($option);
            }
            if ($open === [] || ! $open[0]->isDisplayed()) {
                return null;
            }
            $open[0]->click();

            return true;
        }, "{$value} in {$selector}", 20.0);
        // It shuts softly; what is pressed next is not to fall on it.
        self::until(static fn (): ?bool => self::$browser->findElements($option) === [] ? true : null, "{$selector} to be shut", 10.0);
    }

    protected function seeText(string $text, string $in = 'body', float $seconds = 30.0): void
    {
        $all = self::until(static function () use ($text, $in): ?string {
            $all = (string) self::$browser->executeScript('const one = document.querySelector(arguments[0]); return one?.innerText ?? one?.textContent ?? ""', [$in]);

            return str_contains($all, $text) ? $all : null;
        }, "\"{$text}\" in {$in}", $seconds);
        self::assertStringContainsString($text, $all);
    }

    protected function upload(string $path): void
    {
        // The chooser itself is never shown, only the button that opens it: that it is there is enough.
        $input = self::until(
            static fn (): RemoteWebElement => self::$browser->findElement(WebDriverBy::cssSelector('input[type=file]')),
            'a place for a file',
            15.0,
        );
        // Where several may be chosen, what was given before would stay beside it.
        self::$browser->executeScript('arguments[0].value = ""', [$input]);
        $input->setFileDetector(new LocalFileDetector)->sendKeys($path);
        // What is seen of it takes room: what is pressed next lies elsewhere then.
        self::still(20.0);
    }

    protected function howMany(string $selector): int
    {
        return count(self::$browser->findElements(WebDriverBy::cssSelector($selector)));
    }

    /** The one file that was downloaded, whole; the folder is empty again after. */
    protected function downloaded(): string
    {
        $path = self::until(static function (): ?string {
            $files = glob(self::$folder.'/downloads/*') ?: [];

            return count($files) === 1 && ! str_ends_with($files[0], '.crdownload') ? $files[0] : null;
        }, 'a download', 15.0);
        $kept = self::$folder.'/'.basename($path);
        rename($path, $kept);

        return $kept;
    }

    /**
     * Asks the server as the page does, with the page's token.
     *
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    protected static function asPage(string $path, array $fields): array
    {
        $answer = self::$browser->executeAsyncScript('
            const [path, body, done] = arguments;
            const token = document.cookie.split("; ").find((one) => one.startsWith("XSRF-TOKEN="));
            fetch("/api/v1/" + path, { method: "POST", body, headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": decodeURIComponent((token ?? "").slice(11)) } })
                .then((answer) => answer.text()).then(done);
        ', [$path, json_encode($fields, JSON_THROW_ON_ERROR)]);
        $data = json_decode(is_string($answer) ? $answer : '', true);

        return is_array($data) ? $data : throw new RuntimeException("No answer from {$path}.");
    }

    /** @return list<string> what the page complained of since it was last asked */
    protected function complaints(): array
    {
        $out = [];
        foreach (self::$browser->manage()->getLog('browser') as $entry) {
            // A preview of art that was changed meanwhile is refused, and the page asks for another: no fault, but a browser writes it down.
            $isLate = str_contains($entry['message'], '/previews - ') && str_contains($entry['message'], 'status of 409');
            if ($entry['level'] === 'SEVERE' && ! $isLate && ! str_contains($entry['message'], 'status of 422')) {
                $out[] = $entry['message'];
            }
        }

        return $out;
    }

    /**
     * @template T
     *
     * @param  callable(): (T|null)  $look
     * @return T
     */
    protected static function until(callable $look, string $what, float $seconds): mixed
    {
        $end = microtime(true) + $seconds;
        do {
            try {
                $found = $look();
                if ($found !== null) {
                    return $found;
                }
            } catch (NoSuchElementException|StaleElementReferenceException) {
                // Not yet.
            }
            usleep(80_000);
        } while (microtime(true) < $end);
        if (getenv('NEAT_EDGE_SEE') !== false) {
            self::$browser->takeScreenshot((string) getenv('NEAT_EDGE_SEE'));
        }
        self::fail("Waited {$seconds} s for {$what}.".self::around());
    }

    /** What stood round a wait that was in vain, for whoever reads it where nobody can look: the page, who has died, what was complained of. */
    private static function around(): string
    {
        $said = '';
        foreach (self::$processes as $name => $process) {
            $status = proc_get_status($process);
            $said .= $status['running'] ? '' : sprintf("\nThe %s had ended: code %d, signal %d.", $name, $status['exitcode'], $status['termsig']);
            $said .= $name === 'server' ? "\nThe server's workers: ".count(array_filter(explode("\n", (string) shell_exec("pgrep -P {$status['pid']}")))) : '';
        }
        try {
            $page = self::$browser->findElement(WebDriverBy::cssSelector('body'))->getText();
            $said .= "\nAt ".self::$browser->getCurrentURL().': '.mb_substr((string) preg_replace('/\s+/', ' ', $page), 0, 400);
        } catch (\Throwable $broken) {
            $said .= "\nNo page: {$broken->getMessage()}";
        }

        // The server tells of each call; what else it says matters.
        $log = preg_replace('/^\[\d+\] \[[^\]]*\] [\d.]+:\d+ (Accepted|Closing)\n/m', '', (string) @file_get_contents(self::$folder.'/errors.log'));

        return $said."\n".substr((string) $log, -1200);
    }

    /** Where a job is not ready, what is open is named before anything leaves; somebody lets it go with a reason. */
    protected function letGoIfAsked(float $seconds = 4.0): void
    {
        $end = microtime(true) + $seconds;
        while ($this->howMany('[data-test=gate-by]') === 0) {
            if (microtime(true) > $end) {
                return;
            }
            usleep(80_000);
        }
        $this->see('[data-test=gate-by]')->sendKeys('The shop');
        $this->see('[data-test=gate-reason]')->sendKeys('A trial piece');
        $this->press('[data-test=gate-go]');
        foreach ($this->complaints() as $line) {
            self::assertStringContainsString('409', $line, 'only that it was asked');
        }
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment
     * @return resource
     */
    private static function launch(array $command, array $environment, string $root)
    {
        $process = proc_open($command, [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', self::$folder.'/errors.log', 'a']], $pipes, $root, $environment);

        return $process === false ? throw new RuntimeException("{$command[0]} cannot be started.") : $process;
    }

    /**
     * A command of the shop, run beside it.
     *
     * @param  list<string>  $command
     */
    protected static function artisan(array $command): void
    {
        self::wait(self::launch([PHP_BINARY, 'artisan', ...$command], self::$environment, dirname(__DIR__, 2)), implode(' ', $command));
    }

    /** @param  resource  $process */
    private static function wait($process, string $what): void
    {
        do {
            usleep(50_000);
            $status = proc_get_status($process);
        } while ($status['running']);
        if ($status['exitcode'] !== 0) {
            throw new RuntimeException("{$what} failed: ".file_get_contents(self::$folder.'/errors.log'));
        }
    }

    private static function listen(int $port): void
    {
        self::until(static function () use ($port): ?bool {
            $socket = @fsockopen('127.0.0.1', $port, $code, $message, 0.2);

            return $socket === false ? null : fclose($socket);
        }, "port {$port}", 20.0);
    }
}
