<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Prep\Asker;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/**
 * Something that is asked of the HTTP interface: what it takes stands in its rules, and its description is made of them. Who may ask is said by the
 * policies, at the routes.
 */
abstract class Asks extends FormRequest
{
    /** The step of touching up that a page works on. */
    private const TOUCH_UP = 'X-Touch-Up';

    /** What tells one open page from another. */
    private const PAGE = 'X-Page';

    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, list<mixed>> */
    abstract public function rules(): array;

    /**
     * @return array<string, string> which of the schemas of what is described (see Description\Taken) a value is held to, by its name; by an empty name the
     *     whole
     */
    public static function described(): array
    {
        return [];
    }

    /** The one file that was sent. @throws ValidationException in these words, where there are several or none */
    protected function oneFile(string $words): UploadedFile
    {
        $file = $this->file('file');

        return $file instanceof UploadedFile ? $file : throw ValidationException::withMessages(['file' => $words]);
    }

    /** The step of touching up that whoever asks works on; null for the source. */
    public function touchUp(): ?string
    {
        return self::step($this);
    }

    /** The same of any request. */
    public static function step(Request $request): ?string
    {
        $step = $request->header(self::TOUCH_UP);

        return is_string($step) && preg_match('/^[\w-]{1,40}$/D', $step) === 1 ? $step : null;
    }

    public function page(): string
    {
        return (string) $this->header(self::PAGE, $this->ip() ?? '');
    }

    /** What is known of who asks. */
    public function asker(): Asker
    {
        $key = $this->input('key');

        return new Asker(
            (int) $this->input('version'),
            is_string($key) && preg_match('/^[0-9a-z-]{1,40}$/D', $key) === 1 ? $key : '',
            $this->touchUp(),
            $this->page(),
        );
    }
}
