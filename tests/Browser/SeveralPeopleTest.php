<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;
use RuntimeException;

/** A shop of several, from the page: they come in, see each other on a bench, and each does what is theirs. */
final class SeveralPeopleTest extends BrowserTestCase
{
    use OnTheBench;

    private const PASSWORD = 'a lantern on the water';

    private function signIn(string $address, string $password = self::PASSWORD): void
    {
        foreach (['address' => $address, 'password' => $password] as $field => $text) {
            $input = $this->see("[data-test={$field}]");
            $input->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL]);
            $input->sendKeys($text);
        }
        $this->press('[data-test=sign-in]');
    }

    private function signOut(): void
    {
        $this->visit('/');
        $this->press('[data-test=sign-out]');
        $this->see('[data-test=address]');
    }

    /**
     * Asks as a program with a token.
     *
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private static function asProgram(string $token, string $method, string $path, array $fields): array
    {
        $answer = file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/{$path}", false, stream_context_create(['http' => [
            'method' => $method, 'content' => json_encode($fields, JSON_THROW_ON_ERROR), 'ignore_errors' => true,
            'header' => "Authorization: Bearer {$token}\r\nContent-Type: application/json\r\nAccept: application/json\r\nX-Page: other",
        ]]));
        $data = json_decode((string) $answer, true);

        return is_array($data) ? $data : throw new RuntimeException("No answer from {$path}: {$answer}");
    }

    #[Test]
    public function a_shop_of_one_becomes_a_shop_of_three(): void
    {
        $in = self::$folder.'/password';
        file_put_contents($in, self::PASSWORD);
        self::artisan(['neat-edge:owner', 'Isa Quill', 'isa@marrowby.test', "--password-in={$in}"]);
        // Alone at their machine nobody is asked.
        $this->visit('/settings');
        $this->press('[data-test=people]');
        $this->see('[data-person="isa@marrowby.test"]');
        foreach ([['Ola Reed', 'ola@marrowby.test', 'artist'], ['Tam Vale', 'tam@marrowby.test', 'operator']] as $i => [$name, $address, $role]) {
            $this->see('[data-test=new-name]')->sendKeys($name);
            $this->see('[data-test=new-address]')->sendKeys($address);
            $this->pick('.choose:has([data-test=new-role])', $role);
            $this->press('[data-test=welcome]');
            if ($i === 0) {
                // From now on there are two.
                $this->signIn('isa@marrowby.test', 'not her password');
                $this->seeText('do not belong together', '[data-test=problem]');
                $this->signIn('isa@marrowby.test');
                $this->see('[data-person="ola@marrowby.test"]');
            }
        }
        $this->see('[data-person="tam@marrowby.test"]');
        $links = [];
        self::until(function () use (&$links): ?bool {
            $this->visit('/mailbox');
            $this->see('[data-test=letter]');
            preg_match_all('~/password/[0-9a-f]+\?address=(\w+)\S*~', self::$browser->findElement(WebDriverBy::cssSelector('main'))->getText(), $found);
            $links = array_combine($found[1], array_map(static fn (string $link): string => strstr($link, '/password/') ?: '', $found[0]));

            return count($links) === 2 ? true : null;
        }, 'two letters', 20.0);
        $this->signOut();
        foreach (['ola', 'tam'] as $who) {
            $this->visit($links[$who]);
            $this->see('[data-test=password]')->sendKeys(self::PASSWORD);
            $this->press('[data-test=choose]');
            $this->see('[data-test=to-sign-in]');
        }
        // What was wanted before signing in is where one comes to.
        $this->visit('/account');
        $this->signIn('ola@marrowby.test');
        $this->see('[data-test=sign-in]');
        $this->see('[data-test=token-name]')->sendKeys('the other screen');
        $this->pick('.choose:has([data-test=token-scope])', 'jobs');
        $this->press('[data-test=give]');
        $token = (string) self::$browser->findElement(WebDriverBy::cssSelector('main'))->getText();
        self::until(function () use (&$token): ?bool {
            $token = preg_match('/\d+\|edge_\w+/', $this->see('[data-test=given]')->getText(), $found) === 1 ? $found[0] : '';

            return $token !== '' ? true : null;
        }, 'the token', 15.0);
        $this->signOut();
        $this->signIn('isa@marrowby.test');
        $this->see('[data-test=new-job]');

        // That nobody was known was said now and then; from here on nothing is.
        $this->complaints();
        // On one bench: who else is there, and what they have in hand.
        $this->emptyBench('Lantern for two', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 30, 30, 40, 40);
        $this->keys(WebDriverKeys::ESCAPE);
        self::assertSame(0, $this->howMany('[data-test=company]'));
        $art = self::asProgram($token, 'GET', "jobs/{$this->job}", []);
        $piece = $art['art']['pieces'][0]['id'];
        $here = self::asProgram($token, 'PUT', "jobs/{$this->job}/here", ['held' => [$piece]]);
        self::assertSame('Isa Quill', $here['others'][0]['name']);
        $this->seeText('Ola Reed holds 1 piece', '[data-test=company]');
        self::assertSame(1, $this->howMany("[data-held=\"{$piece}\"]"));
        // What the other does is there without asking, as long as nothing is in hand.
        $changed = self::asProgram($token, 'POST', "jobs/{$this->job}/edits", ['version' => $here['version'], 'key' => 'k1', 'edit' => [
            'kind' => 'move', 'pieces' => [$piece], 'x' => '10mm', 'y' => '0',
        ]]);
        self::assertGreaterThan($here['version'], $changed['job']['version'] ?? 0, json_encode($changed, JSON_THROW_ON_ERROR));
        self::until(fn (): ?bool => $this->version() === $changed['job']['version'] ?: null, 'what the other did', 20.0);
        $this->press('[data-test=acts]');
        $this->seeText('Ola Reed', '.acts');
        self::assertSame([], $this->complaints());

        // Whoever stands at the machines is not led to where art is changed.
        $this->signOut();
        $this->signIn('tam@marrowby.test');
        $this->see('[data-test=me]');
        self::assertSame([0, 0], [$this->howMany('[data-test=new-job]'), $this->howMany('[data-test=rename]')]);
        $this->visit("/jobs/{$this->job}");
        $this->see('[data-stage=send]');
        self::until(fn (): ?bool => $this->howMany('[data-stage=draw]') === 0 ?: null, 'no way to Draw', 10.0);
        // Nor by an address or a key; what stands there is seen, and can be pressed by nobody who may not.
        $this->visit("/jobs/{$this->job}/draw");
        $this->see('[data-stage=set-up][aria-current=step]');
        $this->seeText('written by those who draw', '[data-test=not-yours]');
        self::assertFalse($this->see('.form [type=submit]')->isEnabled());
        self::assertFalse($this->see('[data-test=width]')->isEnabled());
        self::assertGreaterThan(0, $this->howMany('.form .el-select__wrapper.is-disabled'), 'nor what is drawn by hand');
        self::assertTrue($this->see('[data-test=whole]')->isEnabled(), 'a link stays one');
        self::assertFalse($this->see('[data-test=prepare]')->isEnabled());
        self::assertFalse($this->see('[data-test=undo]')->isEnabled());
        self::assertSame(2, $this->howMany('.line .choose .is-disabled'), 'neither a step nor a preset is taken');
        $this->keys(WebDriverKeys::CONTROL, 'z');
        $this->seeText('for those who draw to do', '[data-test=told]');
        self::assertSame([], $this->complaints());
        $this->visit('/people');
        $this->seeText('not yours to do here', '[data-test=problem]');
    }
}
