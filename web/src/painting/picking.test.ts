import * as THREE from 'three'
import { expect, it } from 'vitest'
import { pick, sight } from './picking'

const box = () => new THREE.Mesh(new THREE.BoxGeometry(1, 1, 1), new THREE.MeshBasicMaterial())
const place = (x: number, y: number, z: number, scale = 1) =>
  new THREE.Matrix4().compose(new THREE.Vector3(x, y, z), new THREE.Quaternion(), new THREE.Vector3(scale, scale, scale)).elements

/** At the origin, looking along −z, 90° wide and high. */
const camera = new THREE.PerspectiveCamera(90, 1, 0.1, 100)
const view = new Float32Array(new THREE.Matrix4().elements)
const projection = new Float32Array(camera.projectionMatrix.elements)

const places = (...of: number[][]) => new Float32Array(of.flat())

it('meets the nearest thing first, at the distance of the point that is seen', () => {
  const at = places(place(0, 0, -10), place(0, 0, -5), place(3, 0, -5))
  const hit = pick([box(), box(), box()], { view, projection, places: at, x: 0, y: 0 })
  expect(hit?.index).toBe(1)
  expect(hit?.metres).toBeCloseTo(4.5)
  expect(hit?.point[2]).toBeCloseTo(-4.5)
  // 3 m aside at 5 m is 0.6 of the half width: the corner of the near face is seen at 3 / 4.5
  expect(pick([box(), box(), box()], { view, projection, places: at, x: 3 / 4.5, y: 0 })?.index).toBe(2)
})

it('looks through what is away and what it is told to', () => {
  const at = places(place(0, 0, -10), place(0, 0, -5, 0))
  expect(pick([box(), box()], { view, projection, places: at, x: 0, y: 0 })?.index).toBe(0)
  const both = places(place(0, 0, -10), place(0, 0, -5))
  expect(pick([box(), box()], { view, projection, places: both, x: 0, y: 0, but: [1] })?.index).toBe(0)
  expect(pick([box(), box()], { view, projection, places: both, x: 0.9, y: 0.9 })).toBeUndefined()
})

it('looks straight down in a plan', () => {
  const flat = new THREE.OrthographicCamera(-20, 20, 20, -20, 0.1, 200)
  const down = new THREE.Matrix4().makeRotationX(-Math.PI / 2).setPosition(0, 100, 0)
  const ask = {
    view: new Float32Array(down.clone().invert().elements),
    projection: new Float32Array(flat.projectionMatrix.elements),
    x: 0.5,
    y: 0,
  }
  const ray = sight(ask)
  expect(ray.direction.y).toBeCloseTo(-1)
  expect(ray.origin.x).toBeCloseTo(10)
  expect(pick([box()], { ...ask, places: places(place(10, 2, 0)) })?.point[1]).toBeCloseTo(2.5)
})
