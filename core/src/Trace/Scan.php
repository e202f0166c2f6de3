<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use GdImage;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Patience\Patience;

/** A picture as its dots, row by row. What is clear in it shows a ground that is none of its colours. */
final class Scan
{
    /** Dots that are traced; what has more is made smaller first. */
    public const MOST = 4_000_000;

    /** Dots a picture may have to be opened at all, here or in a browser: 100 million are some 400 MB there. */
    public const OPENED = 100_000_000;

    public const LONGEST_SIDE = 20_000;

    /** Grounds that clear dots may show: the first that is far from every colour of the picture is taken. */
    private const GROUNDS = [0xFFFFFF, 0xFF00FF, 0x00FF00, 0x00FFFF, 0x000000];

    /**
     * @param  list<int>  $dots  0xRRGGBB
     * @param  int|null  $clear  the ground that clear dots show; null where none is clear
     * @param  bool  $lossy  whether it was kept by a way that leaves noise along edges (JPEG)
     * @param  float  $shrunk  dots of the file to a dot of it, along a side: 1 where nothing was made smaller
     * @param  int  $left  dots of the picture that lie left of it, where it is a part of one
     * @param  int  $top  and above
     * @param  int  $whole  dots that the whole picture is wide; as wide as this when 0
     */
    public function __construct(
        public readonly int $width,
        public readonly int $height,
        public readonly array $dots,
        public readonly ?int $clear = null,
        public readonly bool $lossy = false,
        public readonly float $shrunk = 1.0,
        public readonly int $left = 0,
        public readonly int $top = 0,
        private readonly int $whole = 0,
    ) {
    }

    /**
     * @param  string  $bytes  of a PNG or JPEG
     * @param  float  $turn  degrees by which it is turned first, clockwise
     * @param  int  $most  dots it has at most, else it is made smaller
     *
     * @throws Refused with one sentence
     */
    public static function of(string $bytes, float $turn = 0.0, int $most = self::MOST): self
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG], true)) {
            throw Refused::because('The file is no picture that can be traced: PNG and JPEG are taken.');
        }
        if ($size[0] < 1 || $size[1] < 1 || max($size[0], $size[1]) > self::LONGEST_SIDE || $size[0] * $size[1] > self::OPENED) {
            throw Refused::because(sprintf(
                'The picture is %d by %d dots; up to %d a side and %d million in all are taken.',
                $size[0],
                $size[1],
                self::LONGEST_SIDE,
                intdiv(self::OPENED, 1_000_000),
            ));
        }
        $image = @imagecreatefromstring($bytes);
        // A file that lies about its size is opened as what it is.
        if ($image === false || imagesx($image) !== $size[0] || imagesy($image) !== $size[1]) {
            throw Refused::because('The picture is damaged: it cannot be opened as a whole.');
        }
        imagepalettetotruecolor($image);
        $shrunk = 1.0;
        if ($most < $size[0] * $size[1]) {
            $shrunk = sqrt($size[0] * $size[1] / $most);
            // Each dot the mean of those that it stands for: edges keep their shares.
            [$width, $height] = [max(1, (int) round($size[0] / $shrunk)), max(1, (int) round($size[1] / $shrunk))];
            $small = imagecreatetruecolor($width, $height);
            imagealphablending($small, false);
            imagecopyresampled($small, $image, 0, 0, 0, 0, $width, $height, $size[0], $size[1]);
            $image = $small;
            $shrunk = $size[0] / $width;
        }

        return self::taken($turn === 0.0 ? $image : self::turned($image, $turn), $size[2] === IMAGETYPE_JPEG, $shrunk);
    }

    private static function taken(GdImage $image, bool $lossy, float $shrunk): self
    {
        [$width, $height] = [imagesx($image), imagesy($image)];
        $raw = [];
        $clear = false;
        for ($y = 0; $y < $height; $y++) {
            Patience::ask(16);
            for ($x = 0; $x < $width; $x++) {
                $dot = (int) imagecolorat($image, $x, $y);
                $clear = $clear || $dot > 0xFFFFFF;
                $raw[] = $dot;
            }
        }
        if (! $clear) {
            return new self($width, $height, $raw, null, $lossy, $shrunk);
        }
        $ground = self::ground($raw);
        $dots = [];
        foreach ($raw as $dot) {
            $through = $dot >> 24 & 127;
            if ($through > 0) {
                // GD keeps how clear a dot is, 0 to 127.
                $dot = self::mixed($dot, $ground, $through / 127);
            }
            $dots[] = $dot;
        }

        return new self($width, $height, $dots, $ground, $lossy, $shrunk);
    }

    /** @param  list<int>  $raw  dots with how clear they are above */
    private static function ground(array $raw): int
    {
        $seen = [];
        foreach ($raw as $dot) {
            if (($dot >> 24 & 127) < 16) {
                $seen[$dot >> 3 & 0x1F1F1F] = true;
            }
        }
        foreach (self::GROUNDS as $ground) {
            $near = false;
            foreach ($seen as $bin => $_) {
                $dot = $bin << 3;
                $far = max(abs(($dot >> 16 & 255) - ($ground >> 16 & 255)), abs(($dot >> 8 & 255) - ($ground >> 8 & 255)), abs(($dot & 255) - ($ground & 255)));
                if ($far < 90) {
                    $near = true;
                    break;
                }
            }
            if (! $near) {
                return $ground;
            }
        }

        return self::GROUNDS[0];
    }

    private static function mixed(int $dot, int $ground, float $share): int
    {
        $one = static fn (int $shift): int => (int) round(($dot >> $shift & 255) * (1 - $share) + ($ground >> $shift & 255) * $share) << $shift;

        return $one(16) | $one(8) | $one(0);
    }

    /** As large as it was, what is turned out of it is gone; what comes in is as its first dot is. */
    private static function turned(GdImage $image, float $turn): GdImage
    {
        [$width, $height] = [imagesx($image), imagesy($image)];
        imagealphablending($image, false);
        $turned = imagerotate($image, -$turn, (int) imagecolorat($image, 0, 0));
        if ($turned === false) {
            return $image;
        }
        $kept = imagecrop($turned, [
            'x' => intdiv(imagesx($turned) - $width, 2),
            'y' => intdiv(imagesy($turned) - $height, 2),
            'width' => $width,
            'height' => $height,
        ]);

        return $kept === false ? $image : $kept;
    }

    /** Dots that the whole picture is wide. */
    public function whole(): int
    {
        return $this->whole ?: $this->width;
    }

    /**
     * A part of it.
     *
     * @param  list<float>  $part  left, top, width and height, mm
     * @param  float  $width  mm of the whole picture
     *
     * @throws Refused where nothing of it lies in the part
     */
    public function within(array $part, float $width): self
    {
        if ($part === []) {
            return $this;
        }
        $scale = $this->width / $width;
        $left = max(0, (int) floor($part[0] * $scale));
        $top = max(0, (int) floor($part[1] * $scale));
        $right = min($this->width, (int) ceil(($part[0] + $part[2]) * $scale)) - 1;
        $bottom = min($this->height, (int) ceil(($part[1] + $part[3]) * $scale)) - 1;

        return $right - $left < 2 || $bottom - $top < 2
            ? throw Refused::because('Nothing of the picture lies in that part.')
            : $this->part($left, $top, $right, $bottom);
    }

    /** In its dots, both ends within. */
    private function part(int $left, int $top, int $right, int $bottom): self
    {
        $dots = [];
        for ($y = $top; $y <= $bottom; $y++) {
            array_push($dots, ...array_slice($this->dots, $y * $this->width + $left, $right - $left + 1));
        }

        return new self($right - $left + 1, $bottom - $top + 1, $dots, $this->clear, $this->lossy, $this->shrunk, $left, $top, $this->width);
    }
}
